import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { CRITERIA, type FieldFacts, type RankedField, type ZoneNow } from '@fanega/core';
import { GripVertical } from 'lucide-react';
import { Link } from 'react-router';
import type { Farm } from '../../../data/farm';
import { Button } from '../../../ui';
import { area, grainRate, number, percent } from '../../../quantity/quantity';
import { dayText } from '../../../quantity/time';
import { Swatch } from '../../../widgets/weave';
import { blockedWords, reasonWords, whyWords } from '../next-field-words';
import { Tell } from './tell-dryer';

/** "2.9 ac wait until Sep 14: Replanted hole" */
export const waitWords = (waiting: readonly ZoneNow[]): string =>
  waiting
    .map(({ zone }) => `${area(zone.acres).text} wait until ${dayText(zone.leaveUntil!)}: ${zone.name}`)
    .join('; ');

export function Ranked({
  farm,
  field,
  place,
  facts,
  moisture,
  waiting,
  isOwn,
  onFacts,
}: {
  farm: Farm;
  field: RankedField;
  place: number;
  facts: FieldFacts;
  moisture: number | null;
  /** parts of it that stay for now */
  waiting: readonly ZoneNow[];
  isOwn: boolean;
  onFacts: () => void;
}) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: field.id });
  const { lot } = facts.row;
  const { dryer } = field;
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Transform.toString(transform), transition }}
      aria-label={lot.fieldName}
      className={`flex gap-3 border-b border-rule bg-paper px-3 py-3 lg:px-4 `}
    >
      <button
        type="button"
        {...attributes}
        {...listeners}
        aria-label={`Move ${lot.fieldName}`}
        className="flex min-h-11 w-8 shrink-0 touch-none items-center justify-center self-start text-muted"
      >
        <GripVertical size={20} aria-hidden="true" />
      </button>
      <span className="w-8 shrink-0 text-3xl leading-tight font-bold text-muted">{place + 1}</span>
      <div className="min-w-0 flex-1">
        <div className="flex flex-wrap items-baseline gap-x-4">
          <Link to={`/fields/${lot.id}`} className="text-xl font-bold underline decoration-rule underline-offset-4">
            <Swatch index={farm.lotIndex(lot.id)} size={18} /> {lot.fieldName}
          </Link>
          <span className="text-2xl font-bold">{moisture === null ? 'not read' : percent(moisture)}</span>
          <span className="text-muted">
            {facts.crop.short}, {area(facts.acresLeft).text}
          </span>
          {isOwn && <span className="text-sm font-semibold">▲ your order</span>}
          <span className="ml-auto text-sm text-muted">{Math.round(field.score)} of 100</span>
        </div>
        {field.blocked !== null && <p className="font-semibold text-clay">■ {blockedWords(field.blocked)}.</p>}
        {waiting.length > 0 && <p>◐ {waitWords(waiting)}.</p>}
        <p>{reasonWords(field)}.</p>
        {dryer && (
          <p className="text-muted">
            Moisture change {dryer.step > 0 ? '+' : '−'}
            {number(Math.abs(dryer.step), 1)}.{' '}
            {dryer.dryerBushelsPerHour === null
              ? 'Dry enough to skip the dryer.'
              : `Dryer ${grainRate(dryer.dryerBushelsPerHour, farm.kgPerBu(lot.crop))}, `}
            {dryer.dryerBushelsPerHour !== null &&
              (dryer.wetBinFullHours === null
                ? 'keeps up.'
                : `wet bin full after ${number(dryer.wetBinFullHours, 1)} h.`)}
            {dryer.daysToMatch !== null &&
              dryer.daysToMatch > 0 &&
              ` ${number(dryer.daysToMatch, 1)} days to come down to the last loads, retest then.`}
          </p>
        )}
        <div className="flex flex-wrap items-center gap-x-5">
          <Tell farm={farm} lotId={lot.id} name={lot.fieldName} moisture={moisture} dryer={dryer} first={place === 0} />
          <Button look="quiet" className="!px-0 text-sm" onClick={onFacts}>
            Way, stand, yield
          </Button>
          <details className="text-sm open:w-full">
            <summary className="min-h-11 cursor-pointer py-3 font-semibold">Why it stands here</summary>
            <ul className="grid gap-x-6 sm:grid-cols-2">
              {field.parts.map((part) => (
                <li key={part.criterion} className="flex items-center gap-2">
                  <span className="w-40">{CRITERIA[part.criterion]}</span>
                  <span className="inline-block h-2.5 w-20 border border-ink" aria-hidden="true">
                    <span className="block h-full bg-ink" style={{ width: `${100 * part.value}%` }} />
                  </span>
                  <span className="text-muted">
                    × {part.weight}: {whyWords(part.why)}
                  </span>
                </li>
              ))}
            </ul>
          </details>
        </div>
      </div>
    </li>
  );
}
