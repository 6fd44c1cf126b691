import { Link } from 'react-router';
import type { Farm } from '../data/farm';
import { grainOf, mass, share, Shown, system } from '../quantity/quantity';
import { Swatch } from './weave';

/** Whose grain it is: each field's part by weight, as grain and by the scale, summing to the whole. */
export function ShareList({
  farm,
  wetLots,
  weights = true,
  links = true,
}: {
  farm: Farm;
  wetLots: Readonly<Record<string, number>>;
  weights?: boolean;
  /** A glove in a cab hits no link in a line of text. */
  links?: boolean;
}) {
  const total = Object.values(wetLots).reduce((a, b) => a + b, 0);
  const rows = Object.entries(wetLots).sort((a, b) => b[1] - a[1]);
  return (
    <table className="w-full">
      <caption className="sr-only">Shares by field</caption>
      <tbody>
        {rows.map(([lotId, kg]) => {
          const lot = farm.lot(lotId);
          return (
            <tr key={lotId} className="border-b border-rule last:border-b-0">
              <td className="py-1.5 pr-2 whitespace-nowrap">
                <Swatch index={farm.lotIndex(lotId)} /> <b>{farm.tag(lotId)}</b>{' '}
                {lot && !links ? (
                  lot.fieldName
                ) : lot ? (
                  <Link className="underline decoration-rule underline-offset-4" to={`/trace/lot/${lotId}`}>
                    {lot.fieldName}
                  </Link>
                ) : (
                  'unknown field'
                )}
              </td>
              <td className="py-1.5 text-right whitespace-nowrap">
                <Shown of={grainOf(farm, { [lotId]: kg })} />
              </td>
              {weights && system() === 'us' && (
                <td className="py-1.5 pl-3 text-right whitespace-nowrap text-muted">
                  <Shown of={mass(kg)} />
                </td>
              )}
              <td className="w-20 py-1.5 pl-3 text-right whitespace-nowrap">
                <Shown of={share(total > 0 ? kg / total : 0)} />
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
