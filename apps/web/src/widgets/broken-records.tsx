import type { BrokenRecord } from '@fanega/contract';
import type { LogName, RecordStation } from '@fanega/core';
import { useStationRecords, useFarm } from '../data/farm';
import { moment } from '../quantity/time';
import { Callout } from '../ui/callout';
import { useTakeBack } from './take-back';

/** What a kind of record is called where it cannot be read. */
const plainly = (kind: string): string => kind.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);

/** Records of a station that cannot be read: what each is, what is wrong with it, and how it is mended. Nothing where all can be. */
export default function BrokenRecords({ station }: { station: RecordStation }) {
  const { data } = useStationRecords(station);
  if (!data || data.broken.length === 0) return null;
  return (
    <Callout icon role="alert" className="border-b border-ink px-5 py-3 lg:px-6">
      <p className="font-semibold">
        {data.broken.length === 1
          ? 'One record here cannot be read, and counts nowhere:'
          : `${data.broken.length} records here cannot be read, and count nowhere:`}
      </p>
      <ul>
        {data.broken.map((one) => (
          <One key={`${one.kind} ${one.id}`} one={one} />
        ))}
      </ul>
    </Callout>
  );
}

function One({ one }: { one: BrokenRecord }) {
  const farm = useFarm();
  const takeBack = useTakeBack();
  const name = farm.place(one.id)?.name ?? (one.isLog ? '' : one.id === 'farm' ? '' : one.id);
  return (
    <li className="flex flex-wrap items-center gap-x-3">
      <span>
        {`${plainly(one.kind)} ${name}`.trim()}
        {one.at && `, ${moment(one.at, farm.data.farm.timeZone)}`}
        {one.by && `, ${one.by}`}: {one.message}.
      </span>
      {one.isLog ? (
        <button
          type="button"
          className="min-h-11 font-semibold underline underline-offset-4"
          onClick={() => void takeBack(one.kind as LogName, one.id)}
        >
          Take it out
        </button>
      ) : (
        <span className="text-muted">Set it again: it is shown as never set.</span>
      )}
    </li>
  );
}
