import { OWNER_PRICES, OWNER_TERMS, type OwnerTerms } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { dollarsTyped, price } from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureOrNone, recordErrors, textBox } from '../../../widgets/record-boxes';

export const OWNER_PRICE_WORDS: Readonly<Record<(typeof OWNER_PRICES)[number], string>> = {
  asSold: 'as his bushels were sold',
  ticket: 'the ticket’s own price of the day',
  pooled: 'the season’s mean',
};

/** What a lease says of an owner's money. His share of each field stands with the field. */
export function LeaseForm({
  farm,
  owner,
  kept,
  onClose,
}: {
  farm: Farm;
  owner: string;
  kept: { readonly id: string; readonly revision: number; readonly value: OwnerTerms } | null;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const [id] = useState(() => kept?.id ?? ulid());
  const { fields } = OWNER_TERMS;
  const was = kept?.value;
  const per = farm.kgPerBu('corn');
  const form = useFields({
    keptAs: `lease.${farm.id}.${kept?.id ?? owner}`,
    boxes: {
      owner: textBox(fields.owner, 'Who is it?'),
      kind: oneOf<OwnerTerms['kind']>(),
      price: oneOf<OwnerTerms['price']>(),
      docksBorneBy: oneOf<OwnerTerms['docksBorneBy']>(),
      haulingPerBu: figureOrNone(fields.haulingPerBu, price, { per, was: was?.haulingPerBu }),
      rent: figureOrNone(fields.rent, dollarsTyped),
      note: textBox(fields.note),
    },
    unasked: ({ kind }) => (kind === 'cash' ? ['haulingPerBu'] : ['rent']),
    start: () => ({
      owner: was?.owner ?? owner,
      kind: was?.kind ?? ('share' as const),
      price: was?.price ?? ('asSold' as const),
      docksBorneBy: was?.docksBorneBy ?? ('owner' as const),
      haulingPerBu: price.text(was?.haulingPerBu, per),
      rent: dollarsTyped.text(was?.rent),
      note: was?.note ?? '',
    }),
    together: (values) => recordErrors(OWNER_TERMS, termsOf(values)),
    close: onClose,
    save: async (values) => {
      await write(farm.id, setting(farm.id, 'ownerTerms', id, { revision: kept?.revision ?? 0, value: termsOf(values) }), `lease of ${values.owner}`); // prettier-ignore
      await refresh();
    },
  });
  function termsOf({ haulingPerBu, rent, note, ...values }: Omit<OwnerTerms, 'note' | 'rent' | 'haulingPerBu'> & { readonly note: string; readonly rent?: number | undefined; readonly haulingPerBu?: number | undefined }): OwnerTerms {
    return {
      ...values,
      ...(haulingPerBu === undefined ? {} : { haulingPerBu }),
      ...(rent === undefined ? {} : { rent }),
      ...(note === '' ? {} : { note }),
    };
  } // prettier-ignore
  const { kind } = form.texts;
  return (
    <FormDrawer form={form} title="A lease" button="Keep it">
      <TextBox label="Owner" {...form.box('owner')} />
      <SelectBox label="It is" {...form.box('kind')}>
        <option value="share">a share of the crop</option>
        <option value="cash">cash rent</option>
      </SelectBox>
      {kind === 'share' ? (
        <>
          <p className="text-sm text-muted">His share of each field stands with the field, in Fields.</p>
          <SelectBox label="He is paid by" {...form.box('price')}>
            {OWNER_PRICES.map((one) => (
              <option key={one} value={one}>
                {OWNER_PRICE_WORDS[one]}
              </option>
            ))}
          </SelectBox>
          <SelectBox label="The buyer’s discounts and drying on his bushels" {...form.box('docksBorneBy')}>
            <option value="owner">he bears them</option>
            <option value="farm">the farm bears them</option>
          </SelectBox>
          <TextBox label="He pays for hauling" hint="blank: nothing" {...form.box('haulingPerBu')} />
        </>
      ) : (
        <TextBox label="Rent for the season" {...form.box('rent')} />
      )}
      <TextBox label="Note" {...form.box('note')} />
    </FormDrawer>
  );
}
