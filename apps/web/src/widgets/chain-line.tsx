import { type ChainNow, chainStops } from '@fanega/core';
import { type Farm, useHaul, useNotebook } from '../data/farm';
import { clock } from '../quantity/time';
import { because } from './chain-words';
import { minuteText, spanText } from '../quantity/time';
import { say } from '../words';
import { leavingTruck } from './leaving-truck';
import { useChain } from './use-chain';

/** Nobody who drives can do anything about what happens later than this. */
const SOON_MIN = 180;

const standsSoon = (chain: ChainNow) => {
  const found = chainStops(chain).combineStands;
  return found && found.at <= chain.now + SOON_MIN ? found : null;
};

/** In one line, for those whom it concerns: when a combine will stand, and what makes it. Nothing while nothing stops soon. */
export function ChainLine({
  farm,
  className = '',
  more = '',
}: {
  farm: Farm;
  className?: string;
  /** What follows from it here. */ more?: string;
}) {
  const stands = useChain(farm, standsSoon);
  if (!stands) return null;
  return (
    <p className={className}>
      <b>
        ■ {minuteText(Math.floor(stands.at))} {say('combineIdle')}
      </b>
      : {because(stands.because)}
      {more && `. ${more}`}
    </p>
  );
}

/** By when this truck must leave to be in line at its buyer's closing, for the one who drives it; nothing while it is empty or nobody knows an hour. */
export function LeaveBy({ farm, truckId, className = '' }: { farm: Farm; truckId: string; className?: string }) {
  const notebook = useNotebook().data;
  const haul = useHaul().data;
  if (!notebook || !haul) return null;
  const truck = leavingTruck(farm, notebook, haul, truckId);
  if (!truck) return null;
  const left = Math.floor((truck.leaveByMs - farm.clock()) / 60_000);
  const by = clock(truck.leaveByMs, farm.data.farm.timeZone);
  return (
    <p className={className}>
      {left < 0 ? (
        <b>{say('tooLate', { time: by })}</b>
      ) : (
        <>
          <b>{say('leaveBy', { time: by })}</b>, {say('leftInLine', { span: spanText(left) })}
        </>
      )}
    </p>
  );
}
