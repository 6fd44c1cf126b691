import { CARD_NAMES, type CardId, SAFETY_CARDS, SAFETY_WORDS } from '@fanega/core';
import { useState } from 'react';
import { type Farm, useRefreshFarm, useShed } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { Button } from '../../../ui';
import { words } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { Section } from '../../../ui/page';

const { spec } = SAFETY_WORDS.fields.words;
const MOST = spec.kind === 'map' && spec.of.kind === 'text' ? spec.of.most : 300;

/** What the farm adds to the usual cautions: its own lockout, its own number to call. It stands where the hazard is met. */
export function SafetyWords({ farm, may }: { farm: Farm; may: boolean }) {
  const kept = useShed().data?.settings.safetyWords.farm;
  const [changing, setChanging] = useState<CardId | null>(null);
  return (
    <Section title="Safety, in your own words" className="border-t border-ink lg:col-span-2">
      <p className="max-w-2xl text-muted">
        The usual caution stands wherever its hazard is met. What you add comes after it: where to lock out, whom to
        call, what is different here. It takes nothing away.
      </p>
      <dl className="mt-3 lg:columns-2">
        {CARD_NAMES.map((card) => (
          <div key={card} className="break-inside-avoid border-b border-rule py-1.5">
            <dt className="flex items-baseline justify-between gap-3">
              <b>{SAFETY_CARDS[card].title}</b>
              {may && (
                <Button
                  look="quiet"
                  className="!px-0"
                  aria-label={`Your words: ${SAFETY_CARDS[card].title}`}
                  onClick={() => setChanging(card)}
                >
                  {' '}
                  {/* prettier-ignore */}
                  {kept?.value.words[card] ? 'Change' : 'Add'}
                </Button>
              )}
            </dt>
            <dd className="text-muted">{kept?.value.words[card] ?? ''}</dd>
          </div>
        ))}
      </dl>
      {changing !== null && <WordsForm farm={farm} card={changing} kept={kept} onClose={() => setChanging(null)} />}
    </Section>
  );
}

function WordsForm({
  farm,
  card,
  kept,
  onClose,
}: {
  farm: Farm;
  card: CardId;
  kept: NonNullable<ReturnType<typeof useShed>['data']>['settings']['safetyWords'][string] | undefined;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const { title, lines } = SAFETY_CARDS[card];
  const form = useFields({
    keptAs: `safety.${farm.id}.${card}`,
    boxes: { own: words(MOST) },
    start: () => ({ own: kept?.value.words[card] ?? '' }),
    close: onClose,
    save: async ({ own }) => {
      const { [card]: _, ...others } = kept?.value.words ?? {};
      const value = { words: own === '' ? others : { ...others, [card]: own } };
      await write(farm.id, setting(farm.id, 'safetyWords', 'farm', { revision: kept?.revision ?? 0, value }));
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title={title} button="Keep it">
      <p className="text-muted">{lines.join(' ')}</p>
      <label className="block">
        <span className="mb-1 block text-sm font-semibold">On this farm</span>
        <textarea
          rows={4}
          className="w-full rounded-[3px] border border-ink bg-transparent px-3 py-2 text-lg"
          placeholder="like: lockout at the gray panel by bin C; call the office before anybody climbs"
          {...form.box('own')}
        />
      </label>
    </FormDrawer>
  );
}
