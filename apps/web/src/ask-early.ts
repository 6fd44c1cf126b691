import { opensWith } from './app/opens-with';
import { askForFarm } from './data/early';
import { showTheme } from './ui/stored-theme';

// A script of its own, before the program: the farm is asked while the program still comes over the line.
showTheme();
const asked = opensWith(window.location.pathname);
if (asked) askForFarm(asked);
