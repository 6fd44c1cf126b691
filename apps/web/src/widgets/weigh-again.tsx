import { type Entry, likelyWitness, type Method, METHODS } from '@fanega/core';
import { useRef, useState } from 'react';
import { toast } from '../ui/toast';
import { ulid } from 'ulid';
import { write } from '../data/outbox';
import { bookCommand } from '../data/outbox/book-command';
import { type Farm, useRefreshFarm } from '../data/farm';
import { useSend } from '../data/use-send';
import { deviceName } from './record';
import { Button, Choices, Problem, SelectBox, TextBox } from '../ui';
import { METHOD_WORDS } from './method-words';
import { price, readMoisture, readWeight, scaleUnit, type WeightUnit, weightUnits } from '../quantity/quantity';

/** Another measurement of the same grain: the display's figure beside the cart's, the farm's own truck scale beside the ticket. Which one counts is the farm's rule. */
export function WeighAgain({
  farm,
  entry,
  crop,
  onDone,
}: {
  farm: Farm;
  entry: Entry;
  crop: string | undefined;
  onDone: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const id = useRef(ulid());
  const [weight, setWeight] = useState('');
  const [unit, setUnit] = useState<WeightUnit>(scaleUnit());
  const [moisture, setMoisture] = useState('');
  const [method, setMethod] = useState<Method>(() => likelyWitness(entry, (place) => farm.place(place)?.kind));
  const [ticket, setTicket] = useState('');
  const [priceText, setPrice] = useState('');
  const [wrong, setWrong] = useState<{ weight?: string; moisture?: string; price?: string }>({});
  // A ticket that came late brings its number and its price with it.
  const late = method === 'ticket' && entry.type === 'move' && farm.place(entry.to)?.kind === 'buyer';
  const save = async (): Promise<void> => {
    const w = readWeight(weight, unit, farm.kgPerBu(crop));
    const m = readMoisture(moisture);
    const kgPerBu = farm.kgPerBu(crop);
    const paid = price.read(priceText, { least: 0, most: 1000, per: kgPerBu });
    const errors = {
      ...(late && paid.error ? { price: paid.error } : {}),
      ...(w.error
        ? { weight: w.error }
        : w.kg === undefined && m.value === undefined
          ? { weight: 'A weight, or a moisture' }
          : {}),
      ...(m.error ? { moisture: m.error } : {}),
    };
    setWrong(errors);
    if (Object.keys(errors).length > 0) return;
    const witness = {
      id: id.current,
      type: 'witness',
      of: entry.id,
      at: new Date(farm.clock()).toISOString(),
      method,
      device: deviceName(),
      ...(w.kg === undefined ? {} : { wetKg: w.kg }),
      ...(m.value === undefined ? {} : { moisture: m.value }),
      ...(late && ticket.trim() !== '' ? { ticket: ticket.trim() } : {}),
      ...(late && paid.value !== undefined ? { pricePerBu: paid.value } : {}),
    };
    if (!(await sending.send(() => write(farm.id, bookCommand(farm.id, [witness as Entry]), 'another measurement'))))
      return;
    toast('Beside the first measurement');
    await refresh();
    onDone();
  };
  return (
    <form
      aria-label="Another measurement"
      className="space-y-3 border-t border-rule pt-4"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <SelectBox label="Measured by" value={method} onChange={(event) => setMethod(event.target.value as Method)}>
        {METHODS.map((one) => (
          <option key={one} value={one}>
            {METHOD_WORDS[one]}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-[1fr_7.5rem] items-start gap-3">
        <TextBox
          label="Weight"
          inputMode="decimal"
          value={weight}
          error={wrong.weight ?? sending.at.wetKg}
          onChange={(event) => setWeight(event.target.value)}
        />
        <Choices
          label="Unit"
          value={unit}
          onChange={setUnit}
          choices={weightUnits().map((one) => ({ value: one, label: one }))}
        />
      </div>
      <TextBox
        label="Moisture, if measured"
        unit="%"
        inputMode="decimal"
        value={moisture}
        error={wrong.moisture ?? sending.at.moisture}
        onChange={(event) => setMoisture(event.target.value)}
      />
      {late && (
        <div className="grid grid-cols-2 gap-3">
          <TextBox
            label="Ticket number"
            maxLength={40}
            value={ticket}
            error={sending.at.ticket}
            onChange={(event) => setTicket(event.target.value)}
          />
          <TextBox
            label="Price"
            unit={price.unit}
            inputMode="decimal"
            value={priceText}
            error={wrong.price ?? sending.at.pricePerBu}
            onChange={(event) => setPrice(event.target.value)}
          />
        </div>
      )}
      <Problem>{sending.message}</Problem>
      <Button type="submit" disabled={sending.busy}>
        Put it beside
      </Button>
    </form>
  );
}
