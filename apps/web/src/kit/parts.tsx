import { COMBINE_PROFILE, DELAY } from '@fanega/core';
import { useState } from 'react';
import { Bar, BarChart, XAxis, YAxis } from 'recharts';
import {
  area,
  bushels,
  cropYield,
  grainRate,
  mass,
  minutes,
  moisture,
  price,
  speed,
  temperature,
} from '../quantity/quantity';
import { clock } from '../quantity/time';
import { Button, Choices, Empty, Failure, Loading, SelectBox, TextBox } from '../ui';
import { Callout } from '../ui/callout';
import { ChartFrame } from '../ui/chart-frame';
import { CheckBox } from '../ui/check-box';
import { oneOf, yesNo } from '../ui/form/box';
import { Form } from '../ui/form/form';
import { useFields } from '../ui/form/use-fields';
import { Page, Section } from '../ui/page';
import { Progress } from '../ui/progress';
import { Status } from '../ui/status';
import { SwitchBox } from '../ui/switch-box';
import { type Column, DataTable } from '../ui/table';
import { Verdict } from '../ui/verdict';
import { figureBox, moistureBox } from '../widgets/record-boxes';

/** kg of a bushel of corn */
const CORN = 25.40117272;
const LOADS = [
  { ticket: '4471', kg: 24_300, wet: 0.182, paid: 4.02 },
  { ticket: '4472', kg: 25_110, wet: 0.176, paid: 4.02 },
  { ticket: '4473', kg: 23_870, wet: 0.191, paid: 3.97 },
];
type Load = (typeof LOADS)[number];
const columnsOf = (): Column<Load>[] => [
  {
    id: 'ticket',
    head: 'Ticket',
    value: ({ ticket }) => ticket,
    show: ({ ticket }) => <b>{ticket}</b>,
    phone: 'title',
  },
  {
    id: 'weight',
    head: 'Weight',
    unit: bushels.unit,
    right: true,
    value: ({ kg }) => kg,
    show: ({ kg }) => bushels.figure(kg / CORN, CORN),
    sum: (rows) => bushels(rows.reduce((sum, { kg }) => sum + kg, 0) / CORN, CORN).text,
  },
  {
    id: 'wet',
    head: 'Moisture',
    unit: '%',
    right: true,
    value: ({ wet }) => wet,
    show: ({ wet }) => moisture.figure(wet),
  },
  {
    id: 'paid',
    head: 'Price',
    unit: price.unit,
    right: true,
    value: ({ paid }) => paid,
    show: ({ paid }) => price.figure(paid, CORN),
  },
];

/** What pages are put together from, as they look in one theme and one system of units. */
export function Parts({ name }: { name: string }) {
  const [on, setOn] = useState(true);
  const form = useFields({
    boxes: {
      tank: figureBox(COMBINE_PROFILE.fields.tankBu, bushels, { per: CORN }),
      minutes: figureBox(DELAY.fields.minutes, minutes),
      moisture: moistureBox('The moisture is missing'),
      how: oneOf<'cart' | 'display'>(),
      mended: yesNo,
    },
    start: () => ({ tank: '99,999', minutes: '30', moisture: '', how: 'cart' as const, mended: true }),
    save: () => Promise.resolve(false),
  });
  const mended = form.choice('mended');
  return (
    <Page
      title={name}
      base="/kit.html"
      pages={[
        { path: '', name: 'This' },
        { path: 'other', name: 'Another' },
      ]}
    >
      <Section label="Verdict">
        <Verdict about="Combine 2, corn" figure={speed.figure(1.79)} unit={speed.unit}>
          for {grainRate(1500, CORN).text} in {cropYield(192, CORN).text}
        </Verdict>
        <p className="mt-2 flex flex-wrap gap-x-4">
          <Status state="good">ready</Status>
          <Status state="watch">due</Status>
          <Status state="bad">late</Status>
          <Status state="open">open</Status>
          <Status state="none">left out</Status>
        </p>
        <p className="mt-1">
          {area(160).text}, {mass(24_300).text}, {temperature(21.5).text},{' '}
          {clock('2026-09-08T19:52:00Z', 'America/Chicago')}
        </p>
      </Section>
      <Form form={form} button="The thing to do next" className="space-y-3 border-y border-rule px-5 py-4">
        <div className="grid grid-cols-3 gap-3">
          <TextBox label="Tank" {...form.box('tank')} />
          <TextBox label="Late by" {...form.box('minutes')} />
          <TextBox label="Moisture" {...form.box('moisture')} />
        </div>
        <div className="grid grid-cols-2 gap-3">
          <Choices
            label="Weighed by"
            {...form.choice('how')}
            choices={[
              { value: 'cart', label: 'Cart' },
              { value: 'display', label: 'Display' },
            ]}
          />
          <SelectBox label="Field">
            <option>Willow Run</option>
          </SelectBox>
        </div>
        <div className="flex flex-wrap gap-x-6">
          <CheckBox checked={mended.value} onChange={mended.onChange}>
            It runs again
          </CheckBox>
          <SwitchBox on={on} onChange={setOn}>
            The screen stays on
          </SwitchBox>
        </div>
      </Form>
      <div className="flex flex-wrap gap-3 px-5 py-3">
        <Button>Plain</Button>
        <Button look="quiet">Quiet</Button>
        <Button disabled>Not now</Button>
      </div>
      <DataTable
        name="Loads"
        one="load"
        many="loads"
        rows={LOADS}
        columns={columnsOf()}
        rowId={({ ticket }) => ticket}
      />
      <Section label="Chart" className="!py-3">
        <ChartFrame
          label="Weight by ticket"
          heads={['Ticket', bushels.unit]}
          rows={() => LOADS.map(({ ticket, kg }) => [ticket, bushels.figure(kg / CORN, CORN)])}
          className="h-28"
        >
          <BarChart data={LOADS.map(({ ticket, kg }) => ({ ticket, weight: bushels.shown(kg / CORN, CORN) }))}>
            <XAxis dataKey="ticket" stroke="var(--ink)" tick={{ fill: 'var(--ink)' }} />
            <YAxis stroke="var(--ink)" tick={{ fill: 'var(--ink)' }} width={48} />
            <Bar dataKey="weight" fill="var(--ink)" isAnimationActive={false} />
          </BarChart>
        </ChartFrame>
        <Progress label="Simulated" done={0.4}>
          driving 200 days
        </Progress>
        <Callout icon>Stop the engine, take the key, wait until everything has stopped.</Callout>
      </Section>
      <div className="grid grid-cols-3">
        <Loading what="Reading the book" />
        <Empty title="Nothing yet." />
        <Failure message="The server did not answer." unreachable />
      </div>
    </Page>
  );
}
