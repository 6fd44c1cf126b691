import { bushelsPerAcreToKgPerHa, cropOf, CROPS, FIELD_STANDING, type NextFieldPlan } from '@fanega/core';
import type { Farm } from '../../../data/farm';
import { count, cropYield, distance, ground } from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureOrNone } from '../../../widgets/record-boxes';

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
  const perHa = bushelsPerAcreToKgPerHa(1, legalPounds);
  const form = useFields({
    boxes: {
      distance: figureOrNone(FIELD_STANDING.distance, distance, { was: facts?.distance }),
      standability: oneOf<string>(),
      maturity: oneOf<string>(),
      yieldKgPerHa: figureOrNone(FIELD_STANDING.yieldKgPerHa, cropYield, {
        per,
        times: perHa,
        least: perHa,
        most: 400 * perHa,
        was: facts?.yieldKgPerHa,
      }),
      pointsPerDay: figureOrNone(FIELD_STANDING.pointsPerDay, count),
      passLength: figureOrNone(FIELD_STANDING.passLength, ground, { was: facts?.passLength }),
    },
    start: () => ({
      distance: distance.text(facts?.distance),
      standability: String(facts?.standability ?? 0),
      maturity: facts?.maturity === undefined ? '' : String(facts.maturity),
      yieldKgPerHa: facts?.yieldKgPerHa === undefined ? '' : cropYield.text(facts.yieldKgPerHa / perHa, per),
      pointsPerDay: count.text(facts?.pointsPerDay),
      passLength: ground.text(facts?.passLength),
    }),
    close: onClose,
    save: async ({ distance: way = 0, standability, maturity, yieldKgPerHa, pointsPerDay, passLength }) => {
      const fact = {
        standability: Number(standability),
        distance: way,
        ...(maturity === '' ? {} : { maturity: Number(maturity) }),
        ...(yieldKgPerHa === undefined ? {} : { yieldKgPerHa }),
        ...(pointsPerDay === undefined ? {} : { pointsPerDay }),
        ...(passLength === undefined ? {} : { passLength }),
      };
      onChange({ ...sheet, facts: { ...sheet.facts, [lot.fieldId]: fact } });
      return Promise.resolve();
    },
  });
  return (
    <FormDrawer
      form={form}
      title={lot.fieldName}
      button="Take it"
      after={<p className="text-sm text-muted">“Save for everybody” in the list keeps it.</p>}
    >
      <TextBox label="Way from the yard" {...form.box('distance')} />
      <SelectBox label="How it stands" {...form.box('standability')}>
        {STANDS.map((word, i) => (
          <option key={word} value={i}>
            {word}
          </option>
        ))}
      </SelectBox>
      <SelectBox label="How ripe it is" {...form.box('maturity')}>
        <option value="">not checked</option>
        {RIPE.map((word, i) => (
          <option key={word} value={i}>
            {word}
          </option>
        ))}
      </SelectBox>
      <TextBox label="Expected yield" className="pr-20" {...form.box('yieldKgPerHa')} />
      <TextBox
        label="Dries standing"
        hint="leave blank to go by its readings"
        {...form.box('pointsPerDay')}
        unit="points/day"
      />
      <TextBox label="A row is" hint="as most of them are: the cab counts passes by it" {...form.box('passLength')} />
    </FormDrawer>
  );
}
