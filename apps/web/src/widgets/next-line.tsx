import type { PlaceInfo } from '@fanega/core';
import type { Farm } from '../data/farm';
import { bushels, mass } from '../quantity/quantity';
import { say } from '../words';
import { useNextLoad } from './use-next-load';

/** For the one who drives: where this load goes, on which contract, and what stops it. Nothing while nobody knows a price. */
export default function NextLine({ farm, truck }: { farm: Farm; truck: PlaceInfo }) {
  const next = useNextLoad(farm, truck);
  const best = next?.best;
  if (!next || !best) return null;
  const per = farm.kgPerBu(next.crop.id);
  const legal = next.legalTo(best.buyerId);
  const { crossing, contract } = best;
  return (
    <section aria-label={say('nextLoad')} className="space-y-2 border-l-4 border-ink pl-3 text-xl">
      <p>
        {say('goesTo')} <b>{farm.placeName(best.buyerId)}</b>,{' '}
        {contract ? say('onContract', { number: contract.contract.number }) : say('atDaysPrice')}
      </p>
      {crossing && contract && (
        <p className="font-bold text-clay">
          ■{' '}
          {say('crossesEnd', {
            number: contract.contract.number,
            over: bushels(crossing.over, per).text,
            fills: bushels(Math.ceil(crossing.onContract - 1e-9), per).text,
          })}
        </p>
      )}
      {legal?.legal && legal.legal.roomKg < 0 && (
        <p className="font-bold text-clay">■ {say('overLaw', { much: mass(-legal.legal.roomKg).text })}</p>
      )}
      {legal?.setup?.permit && legal.permitNot === 'road' && (
        <p>{say('permitNotHere', { permit: legal.setup.permit.name })}</p>
      )}
    </section>
  );
}
