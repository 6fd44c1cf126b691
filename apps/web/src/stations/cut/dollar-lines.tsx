import { dollars } from '../../quantity/quantity';

/** Dollars under a verdict, a line each; what costs is below nothing. */
export const DollarLines = ({ lines }: { lines: readonly (readonly [words: string, figure: number])[] }) => (
  <dl className="mt-5 max-w-xl divide-y divide-rule border-y border-rule">
    {lines.map(([words, figure]) => (
      <div key={words} className="flex justify-between gap-4 py-1.5">
        <dt>{words}</dt>
        <dd className="text-right font-semibold whitespace-nowrap">{dollars(figure)}</dd>
      </div>
    ))}
  </dl>
);
