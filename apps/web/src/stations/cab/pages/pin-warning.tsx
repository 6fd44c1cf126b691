import { type FieldPin, pinsNear } from '@fanega/core';
import { TriangleAlert } from 'lucide-react';
import { useEffect, useState } from 'react';
import { ground } from '../../../quantity/quantity';
import { Button } from '../../../ui';
import { useHere } from '../../../ui/use-here';
import { speak } from '../../../widgets/speak';
import { say } from '../../../words';

/** Near a spot of a field: what it is and how far, before the machine is there. A poor position warns of nothing and says so. */
export default function PinWarning({ pins }: { pins: readonly FieldPin[] }) {
  const here = useHere(pins.length > 0);
  const found = typeof here === 'object' ? pinsNear(pins, here) : null;
  // What was tapped away comes back when one has left it and comes near again.
  const [seen, setSeen] = useState<readonly string[]>([]);
  const nearIds = found === null ? null : found.near.map(({ pin }) => pin.id).join(' ');
  useEffect(() => {
    if (nearIds !== null) setSeen((before) => before.filter((one) => nearIds.split(' ').includes(one)));
  }, [nearIds]);
  const near = (found?.near ?? []).filter(({ pin }) => !seen.includes(pin.id));
  const first = near[0];
  const id = first?.pin.id;
  const words =
    first &&
    say('pinHere', {
      what: say(`pin_${first.pin.kind}`),
      length: ground(Math.max(0, Math.round(first.meters / 5) * 5)).text,
    });
  useEffect(() => {
    if (id === undefined) return;
    navigator.vibrate?.([300, 150, 300]);
    speak(words ?? '');
    // Said once for each spot, however near it comes.
  }, [id]); // eslint-disable-line react-hooks/exhaustive-deps
  if (found?.poor && typeof here === 'object')
    return (
      <p role="status" className="text-muted">
        ◐ {say('positionPoor', { length: ground(here.accuracy).text })}
      </p>
    );
  if (!first) return null;
  return (
    <div
      role="alert"
      className="fixed inset-x-0 top-0 z-40 flex items-center gap-4 border-b-4 border-clay bg-sand px-4 py-3"
    >
      <TriangleAlert size={36} aria-hidden="true" />
      <div>
        <p className="text-2xl font-bold">{words}</p>
        {first.pin.note !== '' && <p className="text-lg">{first.pin.note}</p>}
        {near.length > 1 && <p>+ {near.length - 1}</p>}
      </div>
      <Button className="ml-auto" onClick={() => setSeen([...seen, first.pin.id])}>
        {say('iSeeToIt')}
      </Button>
    </div>
  );
}
