import { OctagonAlert } from 'lucide-react';
import { useEffect, useState } from 'react';
import { type Farm, useFarm } from '../data/farm';
import { Button } from '../ui';
import { useTicking } from '../ui/use-ticking';
import { say } from '../words';
import { useHear, useHeard } from './hear-alarm';
import { useSite } from './site';
import { type SiteAlarm as Danger, siteAlarms } from './site-alarms';
import { speak } from './speak';

/** What must not wait, on every page and in every cab: a leg that stands while it is fed, and somebody who has not come down. */
export default function SiteAlarm() {
  const farm = useFarm();
  useTicking();
  const all = siteAlarms(farm, useSite(farm), farm.clock());
  // Who sees to it is asked only where something is the matter.
  return all.length === 0 ? null : <Banner farm={farm} alarms={all} />;
}

function Banner({ farm, alarms }: { farm: Farm; alarms: readonly Danger[] }) {
  const [seen, setSeen] = useState<readonly string[]>([]);
  const heard = useHeard();
  const hear = useHear(farm);
  const all = alarms.filter(({ key }) => !seen.includes(key) && !heard.has(key));
  const [first] = all;
  const key = first?.key;
  const words = first && `${first.head} ${first.what}`;
  useEffect(() => {
    if (key === undefined) return;
    navigator.vibrate?.([400, 200, 400, 200, 800]);
    speak(words ?? '');
    // Said once for each alarm.
  }, [key]); // eslint-disable-line react-hooks/exhaustive-deps
  if (!first) return null;
  return (
    <div
      role="alert"
      className="no-print fixed inset-x-0 top-0 z-50 flex flex-wrap items-center gap-x-5 gap-y-2 border-b-4 border-ink bg-clay px-5 py-4 text-on-clay"
    >
      <OctagonAlert size={40} aria-hidden="true" />
      <div className="min-w-60 flex-1">
        <p className="text-2xl leading-tight font-bold">{first.head}</p>
        <p className="text-lg">{first.what}</p>
        {all.length > 1 && <p className="text-sm">{say('moreAlarms', { n: all.length - 1 })}</p>}
      </div>
      <Button
        onClick={() => {
          setSeen([...seen, first.key]);
          void hear?.(first.key, first.head);
        }}
      >
        {say('iSeeToIt')}
      </Button>
    </div>
  );
}
