import { OPENS_WITH, stationOf } from './app/opens-with';
import { askForFarm } from './data/early';

// A script of its own, before the program: the farm is asked while the program still comes over the line.
const station = stationOf(window.location.pathname);
if (station !== undefined) askForFarm(OPENS_WITH[station]);
