import { firstHour } from '@fanega/core';
import { Link } from 'react-router';
import type { Farm } from '../../../data/farm';
import { Button } from '../../../ui';
import { useRecorder } from '../../../widgets/record';
import { FIRST_NAMES, startAddress } from '../../../widgets/start-words';

const LINK = 'inline-flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4';

/** The book is ready for its first load, or what is missing for it. */
export default function LoadStep({ farm }: { farm: Farm }) {
  const recorder = useRecorder();
  const missing = firstHour(farm.data.lots, farm.data.places, farm.data.entries).filter(({ name, done }) => !done && name !== 'load'); // prettier-ignore
  const recorded = farm.data.entries > 0;
  return (
    <>
      <h2 className="text-3xl leading-tight">{recorded ? 'The book has begun' : 'The first load'}</h2>
      {missing.length > 0 && (
        <p className="mt-2 max-w-2xl text-lg">
          Before it:{' '}
          {missing.map(({ name }, i) => (
            <span key={name}>
              {i > 0 && ', '}
              <Link to={startAddress(name)} className="font-semibold underline decoration-rule underline-offset-4">
                {' '}
                {/* prettier-ignore */}
                {FIRST_NAMES[name].toLowerCase()}
              </Link>
            </span>
          ))}
          . It can also be done the other way round: nothing here is locked.
        </p>
      )}
      {!recorded && (
        <p className="mt-2 max-w-2xl text-muted">
          Off a field into a combine, a cart or a truck: how much, how wet. From then on the book knows whose grain lies
          where.
        </p>
      )}
      <div className="mt-4 flex flex-wrap items-center gap-4">
        <Button look="do" className="min-h-14 px-5 text-lg" onClick={() => recorder.open({ kind: 'harvest' })}>
          Record {recorded ? 'a' : 'the first'} load
        </Button>
      </div>
      <h3 className="mt-8 font-semibold">Who else records</h3>
      <ul>
        <li>
          <Link to="/cab" className={LINK}>
            Open the cab on this device
          </Link>
        </li>
        <li>
          <Link to="/settings" className={LINK}>
            Invite somebody, or pair a hired driver’s phone
          </Link>
        </li>
        <li>
          <Link to="/shed/devices" className={LINK}>
            Put a scale, a display or a dryer on the wire
          </Link>
        </li>
        <li>
          <Link to="/settings/farm" className={LINK}>
            Units, clock and when a crop is dry
          </Link>
        </li>
      </ul>
    </>
  );
}
