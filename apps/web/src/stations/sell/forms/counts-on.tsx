import { CONTRACT_LOAD, type Due, living, notOnContract, type SellBook } from '@fanega/core';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { bushelsFine } from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { Form } from '../../../ui/form/form';
import { useFields } from '../../../ui/form/use-fields';
import { figureBox } from '../../../widgets/record-boxes';
import { TakeBack } from '../../../widgets/take-back';

/** Says which contract a delivery counts on, where it is not the one that it would fill by itself. */
export function CountsOn({ farm, book, due }: { farm: Farm; book: SellBook; due: Due }) {
  const refresh = useRefreshFarm(farm.id);
  const { sold, entryId } = due;
  const per = farm.kgPerBu(sold.crop);
  const load = {
    crop: sold.crop,
    buyerId: due.buyerId,
    ownPart: sold.ownPart ?? 1,
    ...(sold.owners === undefined ? {} : { owners: sold.owners }),
  };
  const own = book.contracts.filter(({ contract }) => contract.buyerId === due.buyerId && contract.crop === sold.crop);
  const takes = own.filter((one) => {
    const why = notOnContract(one, load);
    // One that is full may be meant all the same: it goes over then, and says so.
    return why === null || why === 'full' || why === 'notOpen';
  });
  const all = sold.paid ?? sold.bushels;
  const said = living<'contractLoad'>(book.records.logs.contractLoad).filter(({ body }) => body.entryId === entryId);
  const form = useFields({
    keptAs: `counts.${farm.id}.${entryId}`,
    boxes: {
      contractId: oneOf<string>(),
      bushels: figureBox(CONTRACT_LOAD.fields.bushels, bushelsFine, { per, most: Math.ceil(all), was: all }),
    },
    start: () => ({ contractId: takes[0]?.id ?? '', bushels: bushelsFine.text(all, per) }),
    save: async ({ contractId, bushels }) => {
      await write(
        farm.id,
        logged(farm.id, 'contractLoad', { id: ulid(), at: new Date(farm.clock()).toISOString(), entryId, contractId, bushels }), // prettier-ignore
        'which contract a ticket counts on',
      );
      await refresh();
    },
  });
  const others = own.filter((one) => notOnContract(one, load) === 'othersGrain');
  return (
    <section aria-label="Counts on" className="border-t border-ink pt-4">
      <h3 className="font-semibold">Counts on</h3>
      {said.length > 0 ? (
        <ul>
          {said.map(({ body, by }) => (
            <li key={body.id} className="flex flex-wrap items-baseline gap-x-4">
              {bushelsFine(body.bushels, per).text} on {book.kept[body.contractId]?.value.number ?? body.contractId},
              said by {by}
              <TakeBack of="contractLoad" id={body.id} />
            </li>
          ))}
        </ul>
      ) : (
        <p className="text-sm text-muted">By itself it fills contracts in the order in which their windows end.</p>
      )}
      {others.map(({ id, contract }) => (
        <p key={id} className="text-sm">
          {contract.number} takes the farm&rsquo;s own grain only; nothing of this load is.
        </p>
      ))}
      {takes.length > 0 && (
        <Form form={form} button="Count it there" small className="mt-2 space-y-3">
          <div className="grid grid-cols-2 gap-3">
            <SelectBox label="Contract" {...form.box('contractId')}>
              {takes.map(({ id, contract, left }) => (
                <option key={id} value={id}>
                  {contract.number}, {bushelsFine(left, per).text} left
                </option>
              ))}
            </SelectBox>
            <TextBox label="Of it" {...form.box('bushels')} />
          </div>
        </Form>
      )}
    </section>
  );
}
