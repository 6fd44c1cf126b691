import { cropOf, CROPS, type PlaceInfo } from '@fanega/core';
import type { Farm } from '../../../data/farm';
import { Grain, strataOf, type Stratum } from '../../../widgets/core-sample';
import { moisture as wetness } from '../../../quantity/quantity';
import { cubicMetres, heightOf, type VesselShape } from '../../../widgets/vessel';

const ROOF = 0.24;
const MARGIN = 12;

/** Metres of a place; one without measures is drawn as a bin that holds what it is said to hold. */
export function shapeOf(place: PlaceInfo): VesselShape {
  if (place.diameterM && (place.eaveM || place.kind === 'pile'))
    return { diameter: place.diameterM, eave: place.eaveM ?? 0, hopper: place.hopperM ?? 0 };
  const volume = cubicMetres(place.capacityBu ?? 5000);
  const diameter = Math.cbrt(volume / (Math.PI / 4) / 0.7);
  return { diameter, eave: 0.7 * diameter, hopper: 0 };
}

export type Surface = 'level' | 'peaked' | 'cored';

/** How the surface lies: heaped after grain came in, hollow after the core was drawn, level after it was measured. */
export function surfaceOf(farm: Farm, place: PlaceInfo): Surface {
  for (const { entry, voided } of farm.data.tape) {
    if (voided) continue;
    if ((entry.type === 'move' || entry.type === 'harvest') && entry.to === place.id) return 'peaked';
    if (entry.type === 'move' && entry.from === place.id) return place.withdrawal === 'lastIn' ? 'cored' : 'level';
    if (entry.type === 'measure' && entry.place === place.id) return 'level';
  }
  return 'level';
}

/** Neighbouring strata of the same main field, for one label each. */
function labels(
  farm: Farm,
  strata: readonly Stratum[],
): { tag: string; moisture: number | null; from: number; to: number }[] {
  const found: { tag: string; lot: string; wet: number; water: number; from: number; to: number }[] = [];
  let below = 0;
  for (const stratum of strata) {
    const main = Object.entries(stratum.wetLots).sort((a, b) => b[1] - a[1])[0]?.[0] ?? '';
    const water = stratum.bushels * (stratum.moisture ?? 0);
    const last = found.at(-1);
    if (last?.lot === main) {
      last.to += stratum.bushels;
      last.wet += stratum.bushels;
      last.water += water;
    } else
      found.push({
        tag: farm.tag(main),
        lot: main,
        wet: stratum.bushels,
        water,
        from: below,
        to: below + stratum.bushels,
      });
    below += stratum.bushels;
  }
  return found.map(({ tag, wet, water, from, to }) => ({ tag, from, to, moisture: wet > 0 ? water / wet : null }));
}

interface Props {
  readonly farm: Farm;
  readonly place: PlaceInfo;
  /** pixels a meter */
  readonly scale: number;
  readonly selected: boolean;
  /** With a drawing of its own on the page: another clip name, and labels wherever they fit. */
  readonly large?: boolean;
  /** A click on a stratum: whose way to light up. */
  readonly onLot?: (lotId: string) => void;
}

/** A bin, hopper, dryer or pile cut open, to scale, with its grain lying in it. */
/** No pile lies there: a mark of where it would be, not to scale. */
function NoPile() {
  return (
    <svg width="72" height="26" className="block" aria-hidden="true">
      <path d="M6 24 36 6 66 24" fill="none" stroke="var(--rule)" strokeWidth="1.5" strokeDasharray="4 4" />
    </svg>
  );
}

export function YardVessel({ farm, place, scale, selected, large = false, onLot }: Props) {
  const shape = shapeOf(place);
  const strata = strataOf(farm, place.id);
  const pile = place.kind === 'pile';
  const boxy = place.kind === 'dryer';
  const bushels = strata.reduce((sum, s) => sum + s.bushels, 0);
  if (pile && bushels === 0) return <NoPile />;
  const crop = cropOf(farm.cropOf(farm.held(place.id).lots) ?? '') ?? CROPS.corn;
  const slope = Math.tan((crop.reposeDegrees * Math.PI) / 180);
  const radius = shape.diameter / 2;
  const w = shape.diameter * scale;
  const roof = pile || boxy ? 0 : shape.diameter * ROOF;
  const top = pile ? radius * slope : shape.hopper + shape.eave;
  const height = (top + roof) * scale + 4;
  const width = w + 2 * MARGIN;
  const x = MARGIN;
  const y = (meters: number) => height - 2 - meters * scale;

  const byShape = heightOf(cubicMetres(bushels), shape);
  // More by the book than its shape holds: drawn full to the eave, and not through the page; the words beside it say what is wrong.
  const squeeze = byShape > top ? top / byShape : 1;
  const level = pile ? 0 : byShape * squeeze;
  // A heap of the natural slope on a straight wall: its middle stands two thirds of the cone above the mean level.
  const surface = surfaceOf(farm, place);
  const cone =
    pile || boxy || level <= shape.hopper
      ? 0
      : Math.min(radius * slope, 3 * (level - shape.hopper), ((top + roof * 0.8 - level) * 3) / 2);
  const rise = surface === 'peaked' ? cone : surface === 'cored' ? -cone : 0;
  const edge = level - rise / 3;
  const peak = level + (2 * rise) / 3;
  const pileSide = pile ? Math.cbrt((3 * cubicMetres(bushels)) / (Math.PI * slope)) : 0;
  const clip = `vessel-${place.id}${large ? '-large' : ''}`;
  const outline = pile
    ? `M${x + w / 2 - pileSide * scale} ${y(0)}L${x + w / 2} ${y(pileSide * slope)}L${x + w / 2 + pileSide * scale} ${y(0)}Z`
    : `M${x + 1} ${y(edge)}L${x + w / 2} ${y(peak)}L${x + w - 1} ${y(edge)}L${x + w - 1} ${y(shape.hopper)}L${x + w / 2} ${y(0)}L${x + 1} ${y(shape.hopper)}Z`;
  const flat = shape.hopper === 0 ? outline.replace(`L${x + w / 2} ${y(0)}`, '') : outline;
  const yAt = (bu: number): number => {
    if (pile) return y((pileSide * slope * bu) / Math.max(bushels, 1));
    if (bu <= 0) return y(0);
    return bu >= bushels - 1e-6 ? y(Math.max(peak, edge)) : y(heightOf(cubicMetres(bu), shape) * squeeze);
  };
  const line = selected ? 3.4 : 2;
  return (
    <svg width={width} height={height} className="block overflow-visible" aria-hidden="true">
      <defs>
        <clipPath id={clip}>
          <path d={pile ? outline : flat} />
        </clipPath>
      </defs>
      <g clipPath={`url(#${clip})`}>
        <Grain farm={farm} strata={strata} x={x} width={w} yAt={yAt} onLot={onLot} />
      </g>
      {pile ? (
        bushels > 0 && <path d={outline} fill="none" stroke="var(--ink)" strokeWidth={line} />
      ) : (
        <g fill="none" stroke="var(--ink)" strokeWidth={line} strokeLinejoin="round">
          <path
            d={`M${x} ${y(top)}V${y(shape.hopper)}${shape.hopper > 0 ? `L${x + w / 2} ${y(0)}L${x + w} ${y(shape.hopper)}` : `H${x + w}`}V${y(top)}${boxy ? 'Z' : ''}`}
          />
          {!boxy && (
            <path
              d={`M${x - 6} ${y(top) + 1}L${x + w * 0.42} ${y(top + roof)}H${x + w * 0.58}L${x + w + 6} ${y(top) + 1}`}
            />
          )}
          {shape.hopper > 0 && (
            <path d={`M${x} ${y(shape.hopper)}V${y(0)}M${x + w} ${y(shape.hopper)}V${y(0)}`} strokeWidth="1.5" />
          )}
        </g>
      )}
      {labels(farm, strata).map(({ tag, moisture, from, to }) => {
        const low = yAt(from);
        const high = Math.max(yAt(to), to >= bushels - 1e-6 && !pile ? y(Math.min(edge, peak)) : 0);
        const middle = (low + high) / 2;
        if (low - high < 15 || w < 44 || (shape.hopper > 0 && middle > y(shape.hopper * 0.7))) return null;
        return (
          <g key={from} fontSize="12" fontWeight="700">
            <Label x={x + 5} y={middle} text={tag} />
            {moisture !== null && w > 96 && <Label x={x + w - 41} y={middle} text={wetness.figure(moisture)} />}
          </g>
        );
      })}
    </svg>
  );
}

function Label({ x, y, text }: { x: number; y: number; text: string }) {
  const width = text.length * 7.4 + 8;
  return (
    <g>
      <rect x={x} y={y - 8.5} width={width} height="17" rx="2" fill="var(--paper)" />
      <text x={x + width / 2} y={y + 4.3} textAnchor="middle" fill="var(--ink)">
        {text}
      </text>
    </g>
  );
}
