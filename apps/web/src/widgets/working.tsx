import type { Formula } from '@fanega/core';
import { Calculator } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { useFarm } from '../data/farm';
import { number } from '../quantity/number';
import { since } from '../quantity/time';
import { Button } from '../ui';
import { Drawer } from '../ui/drawer';

/** One figure that went into a result. */
export interface WorkedFrom {
  readonly name: string;
  readonly value: ReactNode;
  /** Where it came from, in a few words. */
  readonly from: string;
  /** When it was measured or typed. */
  readonly at?: string | number | null;
  /** Never measured on this farm: where it is entered. */
  readonly enter?: string;
}

const STANDING: Readonly<Record<Formula['standing'], string>> = {
  published: 'Published, looked up',
  'published, from memory': 'Published, from memory',
  'common practice': 'Common practice, no printed source',
  computed: 'Computed',
  assumed: 'Assumed: enter the farm’s own figure',
};

/** How a figure came about: the rule by name, the figures that went into it with where they are from, its range, its source, and what it is not. */
export function Working({
  what,
  formulas,
  inputs,
  worked,
  not,
}: {
  /** What was worked out, as on the page. */
  what: string;
  formulas: readonly Formula[];
  inputs: readonly WorkedFrom[];
  /** The rule with these very figures in it, a line for each step. */
  worked: readonly string[];
  /** What the figure leaves out. */
  not?: string;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        className="no-print inline-flex min-h-11 items-center gap-1.5 text-base font-normal underline decoration-rule underline-offset-4"
      >
        <Calculator size={16} aria-hidden="true" /> How it is worked out
      </button>
      {open && (
        <Drawer open title={what} onClose={() => setOpen(false)}>
          <div className="space-y-5 px-5 py-4 text-base font-normal">
            <section aria-label="Figures it is worked out from">
              <h3 className="font-semibold">Worked out from</h3>
              <ul className="divide-y divide-rule border-y border-rule">
                {inputs.map((input) => (
                  <Input key={input.name} input={input} />
                ))}
              </ul>
            </section>
            {worked.length > 0 && (
              <section aria-label="With these figures">
                <h3 className="font-semibold">With these figures</h3>
                {worked.map((line) => (
                  <p key={line} className="font-mono text-sm">
                    {line}
                  </p>
                ))}
              </section>
            )}
            {formulas.map((formula) => (
              <Rule key={formula.id} formula={formula} />
            ))}
            {not && (
              <p>
                <b>Not in it:</b> {not}
              </p>
            )}
            <Button className="w-full" onClick={() => setOpen(false)}>
              Back
            </Button>
          </div>
        </Drawer>
      )}
    </>
  );
}

function Input({ input: { name, value, from, at, enter } }: { input: WorkedFrom }) {
  const farm = useFarm();
  return (
    <li className="grid grid-cols-[1fr_auto] gap-x-4 py-1.5">
      <span>{name}</span>
      <b className="text-right">{value}</b>
      <span className={`col-span-2 text-sm ${enter ? 'font-semibold text-clay' : 'text-muted'}`}>
        {from}
        {at ? `, ${since(at, farm.clock())}` : ''}
        {enter && (
          <>
            .{' '}
            <Link className="underline underline-offset-4" to={enter}>
              Enter it
            </Link>
          </>
        )}
      </span>
    </li>
  );
}

function Rule({ formula: { title, equation, standing, source, inputs, note } }: { formula: Formula }) {
  return (
    <section aria-label={title}>
      <h3 className="font-semibold">{title}</h3>
      <p className="mt-1 font-mono text-sm break-words">{equation}</p>
      <p className="mt-1 text-sm text-muted">
        {STANDING[standing]}. {source}.
      </p>
      {inputs.length > 0 && (
        <p className="mt-1 text-sm text-muted">
          Holds for{' '}
          {inputs
            .map(({ name, least, most, unit }) =>
              `${name} ${number(least, digits(least))} to ${number(most, digits(most))} ${unit}`.trim(),
            )
            .join('; ')}
          .
        </p>
      )}
      {note && <p className="mt-1 text-sm">{note}</p>}
    </section>
  );
}

/** As many as there are, three at most. */
const digits = (value: number): number => Math.min(3, String(value).split('.')[1]?.length ?? 0);
