import { bushelsPerAcreToKgPerHa, cropOf, CROPS, kgPerHaToBushelsPerAcre, type NextFieldPlan } from '@fanega/core';
import { useState } from 'react';
import type { Farm } from '../../../data/farm';
import { Button, SelectBox, TextBox } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { cropYield, distance, parseNumber } from '../../../quantity/quantity';

/** No field lies farther from its yard than this, m: 120 miles. */
const MOST_WAY_M = 193_121;
const RIPE = ['still filling', 'just mature', 'ripe', 'ripe for long'];
const STANDS = ['sound', 'some weak stalks', 'weak stalks', 'going down'];

export function FactsSheet({
  farm,
  lotId,
  sheet,
  onClose,
  onChange,
}: {
  farm: Farm;
  lotId: string;
  sheet: NextFieldPlan;
  onClose: () => void;
  onChange: (sheet: NextFieldPlan) => void;
}) {
  const lot = farm.lot(lotId)!;
  const per = farm.kgPerBu(lot.crop);
  const { legalPounds } = cropOf(lot.crop) ?? CROPS.corn;
  const facts = sheet.facts[lot.fieldId];
  const [way, setWay] = useState(distance.text(facts?.distance));
  const [stand, setStand] = useState(facts?.standability ?? 0);
  const [ripe, setRipe] = useState(facts?.maturity === undefined ? '' : String(facts.maturity));
  const [expected, setExpected] = useState(
    facts?.yieldKgPerHa === undefined
      ? ''
      : cropYield.text(kgPerHaToBushelsPerAcre(facts.yieldKgPerHa, legalPounds), per),
  );
  const [points, setPoints] = useState(facts?.pointsPerDay === undefined ? '' : String(facts.pointsPerDay));
  const [wrong, setWrong] = useState<Record<string, string>>({});
  return (
    <Drawer open title={lot.fieldName} onClose={onClose}>
      <form
        className="space-y-4 px-5 py-4"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          const far = distance.read(way, { least: 0, most: MOST_WAY_M, was: facts?.distance });
          const bring = cropYield.read(expected, { least: 1, most: 400, per });
          const loses = parseNumber(points);
          const errors = {
            ...(far.error ? { way: far.error } : {}),
            ...(bring.error ? { expected: bring.error } : {}),
            ...(points.trim() !== '' && !(loses >= 0 && loses <= 5) ? { points: 'Points a day from 0 to 5' } : {}),
          };
          setWrong(errors);
          if (Object.keys(errors).length > 0) return;
          onChange({
            ...sheet,
            facts: {
              ...sheet.facts,
              [lot.fieldId]: {
                standability: stand,
                distance: far.value ?? 0,
                ...(ripe === '' ? {} : { maturity: Number(ripe) }),
                ...(bring.value === undefined
                  ? {}
                  : { yieldKgPerHa: bushelsPerAcreToKgPerHa(bring.value, legalPounds) }),
                ...(points.trim() === '' ? {} : { pointsPerDay: loses }),
              },
            },
          });
          onClose();
        }}
      >
        <TextBox
          label="Way from the yard"
          unit={distance.unit}
          inputMode="decimal"
          value={way}
          error={wrong.way}
          onChange={(event) => setWay(event.target.value)}
        />
        <SelectBox label="How it stands" value={stand} onChange={(event) => setStand(Number(event.target.value))}>
          {STANDS.map((word, i) => (
            <option key={word} value={i}>
              {word}
            </option>
          ))}
        </SelectBox>
        <SelectBox label="How ripe it is" value={ripe} onChange={(event) => setRipe(event.target.value)}>
          <option value="">nobody looked</option>
          {RIPE.map((word, i) => (
            <option key={word} value={i}>
              {word}
            </option>
          ))}
        </SelectBox>
        <TextBox
          label="Expected yield"
          unit={cropYield.unit}
          className="pr-20"
          inputMode="decimal"
          value={expected}
          error={wrong.expected}
          onChange={(event) => setExpected(event.target.value)}
        />
        <TextBox
          label="Dries standing"
          unit="points/day"
          inputMode="decimal"
          hint="leave empty to go by its readings"
          value={points}
          error={wrong.points}
          onChange={(event) => setPoints(event.target.value)}
        />
        <Button look="do" type="submit" className="min-h-14 w-full text-lg">
          Take it
        </Button>
        <p className="text-sm text-muted">“Save for everybody” in the list keeps it.</p>
      </form>
    </Drawer>
  );
}
