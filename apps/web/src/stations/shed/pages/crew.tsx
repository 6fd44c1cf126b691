import { living, type ShedRecords, USUAL_HOURS } from '@fanega/core';
import { useState } from 'react';
import { type Farm, useHaulRecords, useWheel } from '../../../data/farm';
import { bushels, number } from '../../../quantity/quantity';
import { hourText, moment } from '../../../quantity/time';
import { Button } from '../../../ui';
import { Section } from '../../../ui/page';
import { Verdict } from '../../../ui/verdict';
import { TakeBack } from '../../../widgets/take-back';
import { WhoIsWhere } from '../../../widgets/who-is-where';
import { CoverDrawer, COVER_WORDS } from '../forms/cover-drawer';
import { CrewDrawer } from '../forms/crew-drawer';
import { JobCards } from './job-cards';

const SHOWN = 6;
const HAS_COVER = ['combine', 'cart', 'truck', 'pile', 'wetBin', 'bin'];

/** People: hours at the wheel today, who is new, what was handed over, and what is covered before it rains. */
export function CrewPage({ farm, shed }: { farm: Farm; shed: ShedRecords }) {
  const [editing, setEditing] = useState<'crew' | { readonly cover: string } | null>(null);
  const haul = useHaulRecords().data;
  const kept = shed.settings.crew.farm;
  const crew = kept?.value;
  const { timeZone } = farm.data.farm;
  const most = crew?.mostHours ?? USUAL_HOURS;
  const wheel = useWheel().data ?? [];
  const people = [...new Set([...wheel.map(({ name }) => name), ...(crew?.people ?? []).map(({ name }) => name)])].map(
    (name) => ({
      name,
      member: crew?.people.find((one) => one.name === name),
      wheel: wheel.find((one) => one.name === name) ?? { hours: 0, rest: false },
    }),
  );
  const tired = people.filter(({ wheel }) => wheel.rest);
  const longest = people[0];
  const handed = living(shed.logs.handover).slice(0, SHOWN);
  const covers = haul?.settings.cover ?? {};
  return (
    <div>
      <Section label="Crew" className="px-5 py-5 lg:px-6">
        <div className="flex flex-wrap items-start justify-between gap-4">
          {longest && longest.wheel.hours >= 0.1 ? (
            <Verdict
              about="Longest at the wheel today"
              figure={number(longest.wheel.hours, 1)}
              unit={`h, ${longest.name}`}
              bad={longest.wheel.rest}
            >
              {tired.length > 0
                ? `■ ${tired.map(({ name }) => name).join(', ')}: time for a rest, the line here is ${number(most, 1)} h.`
                : `All are under the farm’s line of ${number(most, 1)} h. By what each recorded; breaks over 45 minutes are left out.`}
            </Verdict>
          ) : (
            <p className="text-xl">Nothing recorded today.</p>
          )}
          <Button onClick={() => setEditing('crew')}>{crew ? 'Change the crew' : 'Enter who works here'}</Button>
        </div>
        <ul aria-label="People" className="mt-4 max-w-3xl divide-y divide-rule border-t border-rule">
          {people.map(({ name, member, wheel }) => (
            <li key={name} className="flex flex-wrap items-center gap-x-4 py-2">
              <span className="min-w-40 flex-1">
                <b>{name}</b>
                {member?.trainee ? ', new here: the cab shows one step at a time, with larger margins' : ''}
                {crew?.call === name ? ', called for help' : ''}
              </span>
              <span>{wheel.hours < 0.1 ? '–' : `${number(wheel.hours, 1)} h${wheel.rest ? ' ■ rest' : ''}`}</span>
              {member && member.phone !== '' && (
                <a
                  className="underline decoration-rule underline-offset-4"
                  href={`tel:${member.phone.replace(/[^\d+]/g, '')}`}
                >
                  {member.phone}
                </a>
              )}
            </li>
          ))}
        </ul>
        {crew?.quietFrom !== undefined && crew.quietTo !== undefined && (
          <p className="mt-2 text-muted">
            Alarms that can wait are quiet from {hourText(crew.quietFrom)} to {hourText(crew.quietTo)}; danger never is.
          </p>
        )}
      </Section>
      <Section label="Where they are" className="border-t border-ink px-5 py-5 lg:px-6">
        <WhoIsWhere farm={farm} />
      </Section>
      <div className="border-t border-ink lg:grid lg:grid-cols-2 lg:divide-x lg:divide-ink">
        <Section label="Before it rains" className="px-5 py-5 lg:px-6">
          <h2 className="text-xl">Closed before it rains</h2>
          <ul aria-label="Covers" className="mt-2 divide-y divide-rule">
            {farm.data.places
              .filter(({ id, kind }) => covers[id] !== undefined || HAS_COVER.includes(kind))
              .sort((a, b) => Number(covers[b.id] !== undefined) - Number(covers[a.id] !== undefined))
              .map(({ id, name }) => {
                const cover = covers[id]?.value;
                return (
                  <li key={id} className="flex flex-wrap items-center gap-x-4 py-1.5">
                    <span className="min-w-48 flex-1">
                      <b>{name}</b>
                      {cover
                        ? `: ${COVER_WORDS[cover.kind]}, ${number(cover.minutes)} min${cover.who === '' ? '' : `, ${cover.who}`}${cover.closesUpTo === undefined ? '' : `, up to ${bushels(cover.closesUpTo, farm.kgPerBu(farm.cropOf(farm.held(id).lots))).text}`}`
                        : ''}
                    </span>
                    <Button look="quiet" className="!px-0" onClick={() => setEditing({ cover: id })}>
                      {cover ? 'Change' : 'It has a cover'}
                    </Button>
                  </li>
                );
              })}
          </ul>
        </Section>
        <Section label="Handed over" className="px-5 py-5 max-lg:border-t max-lg:border-ink lg:px-6">
          <h2 className="text-xl">Handed over</h2>
          {handed.length === 0 ? (
            <p className="mt-2 text-muted">
              Whoever leaves a machine says in its cab what the next driver must know (Not the usual, Hand over the
              machine).
            </p>
          ) : (
            <ul aria-label="Handovers" className="mt-2 divide-y divide-rule">
              {handed.map(({ body }) => (
                <li key={body.id} className="py-1.5">
                  <b>{farm.placeName(body.placeId)}</b>, {body.from}
                  {body.to === '' ? '' : ` to ${body.to}`}, {moment(body.at, timeZone)}:{' '}
                  {body.machine || 'nothing said'}
                  {body.promised === '' ? '' : `. Promised: ${body.promised}`} <TakeBack of="handover" id={body.id} />
                </li>
              ))}
            </ul>
          )}
        </Section>
      </div>
      <JobCards farm={farm} shed={shed} />
      {editing === 'crew' && <CrewDrawer farm={farm} kept={kept} onClose={() => setEditing(null)} />}
      {editing !== null && editing !== 'crew' && (
        <CoverDrawer
          farm={farm}
          placeId={editing.cover}
          kept={covers[editing.cover]}
          onClose={() => setEditing(null)}
        />
      )}
    </div>
  );
}
