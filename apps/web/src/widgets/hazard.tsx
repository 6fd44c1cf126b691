import { CARD_FOOT, CARD_FOOT_ES, type CardId, living, SAFETY_CARDS, SAFETY_CARDS_ES } from '@fanega/core';
import { TriangleAlert } from 'lucide-react';
import { useRef } from 'react';
import { ulid } from 'ulid';
import { useFarm, useRefreshFarm, useShed } from '../data/farm';
import { useSend } from '../data/use-send';
import { Button, Problem } from '../ui';
import { logged } from '../data/records';
import { write } from '../data/outbox';
import { say, useLanguage } from '../words';

export const isCard = (card: string | null | undefined): card is CardId =>
  typeof card === 'string' && Object.hasOwn(SAFETY_CARDS, card);

/** An acknowledgement holds for a working day; tomorrow's hands are other hands. */
const HOLDS_MS = 12 * 3_600_000;

/** Whether a card must be read first, and whether somebody did, before this very step, in the last hours. */
export function useAcknowledged(
  card: string | null | undefined,
  before: string,
): { readonly needed: boolean; readonly done: boolean } {
  const farm = useFarm();
  const { data } = useShed();
  const needed = isCard(card) && (data?.settings.seasonPlan.farm?.value.acknowledge ?? []).includes(card);
  const done =
    data !== undefined &&
    living(data.logs.acknowledgement).some(
      ({ body }) => body.card === card && body.before === before && farm.data.now - Date.parse(body.at) < HOLDS_MS,
    );
  return { needed, done };
}

/** The usual caution where the hazard is met; where the farm wants it, it is acknowledged before the step. */
export function Hazard({ card, before }: { card: CardId; before: string }) {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const id = useRef(ulid());
  const { needed, done } = useAcknowledged(card, before);
  const spanish = useLanguage() === 'es';
  const { title, lines } = (spanish ? SAFETY_CARDS_ES : SAFETY_CARDS)[card];
  // The farm's own stand behind the usual ones, never in their place.
  const own = useShed().data?.settings.safetyWords.farm?.value.words[card];
  const acknowledge = async (): Promise<void> => {
    const body = { id: id.current, at: new Date(farm.clock()).toISOString(), card, before };
    if (await sending.send(() => write(farm.id, logged(farm.id, 'acknowledgement', body), 'a card read')))
      await refresh();
  };
  return (
    <aside aria-label={say('caution', { what: title })} className="border-l-4 border-clay bg-sand px-3 py-2 text-sm">
      <p className="flex gap-2">
        <TriangleAlert size={16} className="mt-0.5 shrink-0" aria-hidden="true" />
        <span>
          <b>{title}.</b> {lines.join(' ')}{' '}
          {own && (
            <b>
              {say('onThisFarm')} {own}{' '}
            </b>
          )}
          <span className="text-muted">{spanish ? CARD_FOOT_ES : CARD_FOOT}</span>
        </span>
      </p>
      {needed &&
        (done ? (
          <p className="mt-1 font-semibold">{say('acknowledged')}</p>
        ) : (
          <Button className="mt-2" disabled={sending.busy} onClick={() => void acknowledge()}>
            {say('doneThis')}
          </Button>
        ))}
      <Problem className="mt-1">{sending.message}</Problem>
    </aside>
  );
}
