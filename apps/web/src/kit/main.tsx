import '../look';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { setFarmSystem, SYSTEMS, UNIT_NAMES } from '../quantity/system';
import { setFarmClock } from '../quantity/time';
import { THEMES } from '../ui/stored-theme';
import { Parts } from './parts';

const asked = new URLSearchParams(window.location.search);
const theme = THEMES.find((one) => one === asked.get('theme'));
const units = SYSTEMS.find((one) => one === asked.get('units'));

/** The parts in three themes and two units, each in a frame of its own: units and themes are of a whole page. */
function All() {
  return (
    <div className="grid grid-cols-3 gap-1 bg-rule p-1">
      {SYSTEMS.flatMap((system) =>
        THEMES.map((one) => (
          <iframe
            key={`${one} ${system}`}
            title={`${one}, ${UNIT_NAMES[system]}`}
            src={`?theme=${one}&units=${system}`}
            className="h-[1290px] w-full"
          />
        )),
      )}
    </div>
  );
}

if (theme && units) {
  document.documentElement.dataset.theme = theme;
  setFarmSystem(units);
  setFarmClock(units === 'us' ? '12' : '24');
}
createRoot(document.getElementById('root')!).render(
  <BrowserRouter>{theme && units ? <Parts name={`${theme}, ${UNIT_NAMES[units]}`} /> : <All />}</BrowserRouter>,
);
