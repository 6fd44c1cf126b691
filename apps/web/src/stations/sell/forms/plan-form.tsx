import { type CropId, cropOf, SELL_PLAN, type SellPlan } from '@fanega/core';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { bushels } from '../../../quantity/quantity';
import { TextBox } from '../../../ui';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureOrNone, recordErrors } from '../../../widgets/record-boxes';

/** What a crop of a season is insured for, and what is expected where the fields do not say it well. */
export function PlanForm({
  farm,
  crop,
  season,
  kept,
  byFields,
  onClose,
}: {
  farm: Farm;
  crop: CropId;
  season: number;
  kept: { readonly revision: number; readonly value: SellPlan } | null;
  /** Bushels that the fields say. */
  byFields: number;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const per = farm.kgPerBu(crop);
  const { fields } = SELL_PLAN;
  const was = kept?.value;
  const planOf = ({ insured, expected }: { readonly insured?: number | undefined; readonly expected?: number | undefined }): SellPlan => ({
    crop,
    season,
    ...(insured === undefined ? {} : { insured }),
    ...(expected === undefined ? {} : { expected }),
  }); // prettier-ignore
  const form = useFields({
    keptAs: `plan.${farm.id}.${crop}.${season}`,
    boxes: {
      insured: figureOrNone(fields.insured, bushels, { per, was: was?.insured }),
      expected: figureOrNone(fields.expected, bushels, { per, was: was?.expected }),
    },
    start: () => ({ insured: bushels.text(was?.insured, per), expected: bushels.text(was?.expected, per) }),
    together: (values) => recordErrors(SELL_PLAN, planOf(values)),
    close: onClose,
    save: async (values) => {
      await write(farm.id, setting(farm.id, 'sellPlan', `${crop}-${season}`, { revision: kept?.revision ?? 0, value: planOf(values) })); // prettier-ignore
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title={`${cropOf(crop)?.name ?? crop} ${season}`} button="Keep it">
      <TextBox label="Insured" hint="bushels that the policy makes good; blank: none" {...form.box('insured')} />
      <TextBox
        label="Expected"
        hint={`blank: by the fields, ${bushels(Math.round(byFields), per).text}`}
        {...form.box('expected')}
      />
    </FormDrawer>
  );
}
