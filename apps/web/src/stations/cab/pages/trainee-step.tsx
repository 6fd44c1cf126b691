import { calendarDay, fieldFacts, machineRate, type PlaceInfo, speedForRate, TRAINEE } from '@fanega/core';
import { bushelsPerAcreToKgPerHa } from '@fanega/core';
import { type Farm, useFields, useNotebook } from '../../../data/farm';
import { bushels, speed } from '../../../quantity/quantity';
import { say } from '../../../words';

/** For a trainee: when to dump, and how fast, both with more room than the others take. */
export default function TraineeStep({
  farm,
  me,
  lotId,
  inIt,
}: {
  farm: Farm;
  me: PlaceInfo;
  lotId: string | undefined;
  /** bushels in the tank now */
  inIt: number;
}) {
  const rows = useFields().data;
  const notebook = useNotebook().data;
  const lot = farm.lot(lotId ?? '');
  const per = farm.kgPerBu(lot?.crop);
  const most = me.capacityBu === null ? null : me.capacityBu * TRAINEE.tankShare;
  const profile = notebook?.settings.combineProfile[me.id]?.value;
  const facts = rows && notebook && fieldFacts(farm, rows, notebook).find(({ row }) => row.lot.id === lotId);
  const rate = rows && notebook && lot && machineRate(farm, notebook, rows, me.id, lot.crop);
  const advice =
    profile && facts && facts.expected !== null && rate
      ? speedForRate({
          rate: rate.cutting,
          width: profile.headWidth,
          yieldKgPerHa: bushelsPerAcreToKgPerHa(facts.expected, facts.crop.legalPounds),
          limits: [{ name: 'limit', speed: profile.speedLimit }],
          headConfirmed: profile.headConfirmed === calendarDay(farm.data.now, farm.data.farm.timeZone),
        })
      : null;
  return (
    <div className="space-y-2 text-2xl">
      {most !== null &&
        (inIt >= most ? (
          <p className="font-bold text-clay">■ {say('traineeDump')}</p>
        ) : (
          <p>{say('traineeTank', { much: bushels(Math.floor(most), per).text })}</p>
        ))}
      {advice?.kind === 'speed' && (
        <p>{say('traineeSlow', { speed: speed(advice.speed * TRAINEE.speedShare).text })}</p>
      )}
    </div>
  );
}
