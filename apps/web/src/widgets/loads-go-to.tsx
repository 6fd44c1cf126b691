import { type FieldRecords, type HaulTo, likelyTo, loadsGoTo, USUAL_LINE_MIN } from '@fanega/core';
import { useState } from 'react';
import { setting } from '../data/records';
import { type Farm, useRefreshFarm } from '../data/farm';
import { write } from '../data/outbox';
import { useSend } from '../data/use-send';
import { minutes } from '../quantity/quantity';
import { Problem, SelectBox, TextBox } from '../ui';
import { toast } from '../ui/toast';

/** Where the loads go, said once for the whole farm: it stays until somebody changes it, on whichever page it is shown. */
export function useLoadsGoTo(farm: Farm, notebook: FieldRecords) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const kept = loadsGoTo(farm, notebook);
  const { buyerId: keptTo } = kept.to;
  // What was just chosen counts at once; the farm's answer follows.
  const [chosen, setChosen] = useState<{ readonly buyerId: string; readonly lineMin: number } | null>(null);
  const buyerId = chosen?.buyerId ?? keptTo;
  const lineMin = chosen?.lineMin ?? kept.lineMin;
  const say = async (next: { buyerId: string; lineMin: number }): Promise<void> => {
    setChosen(next);
    const saved = await sending.send(() =>
      write(
        farm.id,
        setting(farm.id, 'haulPlan', 'farm', {
          revision: notebook.settings.haulPlan.farm?.revision ?? 0,
          value: { ...(next.buyerId === '' ? {} : { buyerId: next.buyerId }), lineMin: next.lineMin },
        }),
      ),
    );
    if (saved) {
      toast(
        `Loads go ${next.buyerId === '' ? 'home' : `to ${farm.placeName(next.buyerId)}`} until somebody changes it`,
      );
      await refresh();
    }
    setChosen(null);
  };
  const to: HaulTo = buyerId === '' ? { kind: 'home', buyerId: '' } : { kind: 'elevator', buyerId };
  return {
    to,
    lineMin,
    said: kept.said,
    message: sending.message,
    go: (next: string) => say({ buyerId: next, lineMin: next === buyerId ? lineMin : USUAL_LINE_MIN }),
    wait: (next: number) => say({ buyerId, lineMin: next }),
  };
}

export type LoadsGo = ReturnType<typeof useLoadsGoTo>;

/** The two boxes of it; the line is kept when one leaves its box. */
export function LoadsGoTo({ farm, loads, line = true }: { farm: Farm; loads: LoadsGo; line?: boolean }) {
  const buyers = farm.data.places.filter((place) => place.kind === 'buyer');
  const hasHome = farm.data.places.some((place) => place.kind === 'wetBin');
  const { buyerId } = loads.to;
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? minutes.text(loads.lineMin);
  const read = minutes.read(shown, { least: 0, most: 600, wanted: true });
  const leave = (): void => {
    if (text === null || read.error) return;
    setText(null);
    if (read.value !== loads.lineMin) void loads.wait(read.value!);
  };
  const withLine = line && buyerId !== '';
  return (
    <div>
      <div className={withLine ? 'grid grid-cols-[1.6fr_1fr] gap-3' : ''}>
        <SelectBox
          label="Loads go to"
          hint={loads.said ? undefined : likelyTo(farm).kind === 'home' ? 'as set up' : 'as the last load went'}
          value={buyerId}
          onChange={(event) => void loads.go(event.target.value)}
        >
          {hasHome && <option value="">home, the wet bin</option>}
          {buyers.map((buyer) => (
            <option key={buyer.id} value={buyer.id}>
              {buyer.name}
            </option>
          ))}
          {!hasHome && buyers.length === 0 && <option value="">home</option>}
        </SelectBox>
        {withLine && (
          <TextBox
            label="Line there"
            unit="min"
            inputMode="numeric"
            value={shown}
            error={read.error}
            onChange={(event) => setText(event.target.value)}
            onBlur={leave}
            onKeyDown={(event) => {
              if (event.key === 'Enter') leave();
            }}
          />
        )}
      </div>
      <Problem className="mt-2">{loads.message}</Problem>
    </div>
  );
}
