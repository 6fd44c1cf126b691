import { OPENS_WITH, PAGE_OPENS_WITH, stationOf, WEATHER_WITH } from './app/opens-with';
import { askForFarm } from './data/early';

// A script of its own, before the program: the farm is asked while the program still comes over the line.
const { pathname } = window.location;
const station = stationOf(pathname);
if (station !== undefined)
  askForFarm([...OPENS_WITH[station], ...(PAGE_OPENS_WITH[pathname] ?? [])], WEATHER_WITH[station] ?? []);
