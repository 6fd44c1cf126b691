import { ROWS_LEFT } from '@fanega/core';
import { ulid } from 'ulid';
import { logged } from '../../../data/records';
import { count, ground, spacing } from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { figureBox } from '../../../widgets/record-boxes';
import { useFieldLeft } from '../../../widgets/use-field-left';
import { say } from '../../../words';
import { type PadGiven, PadDrawer } from './pad-drawer';
import { usePad } from './use-pad';

/** 30 in, where nobody told a head with rows. */
const USUAL_SPACING = 0.762;

/** Rows that still stand, counted from the seat: the rest of the field goes by them. */
export function RowsPad({
  farm,
  machineId,
  lotId,
  onClose,
  onKeep,
}: PadGiven & { readonly machineId: string; readonly lotId: string | undefined }) {
  const found = useFieldLeft(farm, machineId, lotId, 0);
  const { fields } = ROWS_LEFT;
  const season = farm.lot(lotId ?? '')?.season;
  const form = useFields({
    boxes: {
      lotId: oneOf<string>(),
      rows: figureBox(fields.rows, count, { missing: say('rowsMissing') }),
      passLength: figureBox(fields.passLength, ground, { missing: say('lengthMissing') }),
      rowSpacing: figureBox(fields.rowSpacing, spacing, { missing: say('apartMissing') }),
    },
    start: () => ({
      lotId: lotId ?? '',
      rows: found?.left.rows ? String(found.left.rows) : '',
      passLength: ground.text(found?.passLength ?? undefined),
      rowSpacing: spacing.text(found?.rowSpacing ?? USUAL_SPACING),
    }),
    close: onClose,
    save: ({ lotId: of, rows, passLength, rowSpacing }) => {
      const body = { id: ulid(), at: new Date(farm.clock()).toISOString(), lotId: of, rows, passLength, rowSpacing };
      onKeep(logged(farm.id, 'rowsLeft', body), say('rowsKept', { field: farm.lot(of)?.fieldName ?? '', n: rows }));
      return Promise.resolve(false);
    },
  });
  const pad = usePad(form, 'rows');
  return (
    <PadDrawer form={form} title={say('way_rows')} onKey={pad.onKey}>
      <SelectBox label={say('field')} {...form.box('lotId')}>
        {farm.data.lots
          .filter((lot) => lot.season === season)
          .map((lot) => (
            <option key={lot.id} value={lot.id}>
              {lot.tag} {lot.fieldName}
            </option>
          ))}
      </SelectBox>
      <TextBox label={say('rowsHow')} {...pad.box('rows')} />
      <div className="grid grid-cols-2 gap-3">
        <TextBox label={say('rowsLong')} {...pad.box('passLength')} />
        <TextBox label={say('rowsApart')} {...pad.box('rowSpacing')} />
      </div>
    </PadDrawer>
  );
}
