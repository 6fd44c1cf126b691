import {
  checkOf,
  checksOf,
  cropOf,
  CROPS,
  fieldFacts,
  kernelGramsOfRule,
  type LossCount,
  type LossFrame,
  type Symptom,
  SYMPTOMS,
  windowFor,
} from '@fanega/core';
import { Delete } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { toast } from '../../../ui/toast';
import { ulid } from 'ulid';
import { useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { Button, Problem, SelectBox, TextBox } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import {
  areaWhole,
  dollars,
  frameArea,
  kernelsOfLoss,
  kernelsOfLossWords,
  loss,
  moneyPerArea,
  parseNumber,
  price,
  system,
} from '../../../quantity/quantity';
import { type CutGiven, LOSS_WARNING_WORDS } from '../words';
import { logged } from '../../../data/records';
import { write } from '../../../data/outbox';
import { useKept } from '../../../ui/use-kept';
import { CheckBox } from '../../../ui/check-box';
import { Callout } from '../../../ui/callout';

/** Ten square feet, m²; and what a frame may be: from a fifth to two thousand. */
const USUAL_FRAME = 0.9290304;
const LEAST_FRAME = USUAL_FRAME / 50;
const MOST_FRAME = USUAL_FRAME * 200;

interface Draft {
  /** One id until it is recorded, over a reload too: sent again, it stays one check. */
  readonly id: string;
  readonly step: number;
  readonly frame: string;
  readonly perFoot: string;
  readonly price: string;
  readonly left: string;
  readonly before: readonly Frame[];
  readonly atHeader: readonly Frame[];
  readonly behind: readonly Frame[];
  readonly stands: boolean;
  readonly unthreshed: '' | '0' | '0.15' | '0.5' | '0.85';
  readonly symptom: string;
}
interface Frame {
  readonly kernels: number;
  /** m² */
  readonly area: number;
}

const STEPS = ['Frame', 'Before harvest', 'Stop', 'At the header', 'Behind', 'Look'] as const;
type Counted = 'before' | 'atHeader' | 'behind';

/** A guided count: where to stand, what to count, one keypad, and the answer under it at once. Kept over a reload until it is recorded. */
export function CountLoss({
  farm,
  notebook,
  rows,
  machineId,
  lotId,
  settingsId,
  speed,
  onDone,
}: CutGiven & { lotId: string; settingsId: string | undefined; speed: number | undefined; onDone: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const lot = farm.lot(lotId);
  const crop = cropOf(lot?.crop ?? '') ?? CROPS.corn;
  const per = farm.kgPerBu(crop.id);
  const [draft, setDraft, done] = useKept<Draft>(`loss.${farm.id}.${machineId}.${lotId}.${system()}`, () => {
    // The same field again: its frame, its terms and what lay there before harvest stay true.
    const [last] = checksOf(farm, notebook, machineId).filter((one) => one.body.lotId === lotId);
    const standing = fieldFacts(farm, rows, notebook).filter((f) => f.crop.id === crop.id);
    return {
      id: ulid(),
      step: 0,
      frame: frameArea.text(USUAL_FRAME),
      perFoot: kernelsOfLoss.text(
        last
          ? kernelGramsOfRule(1, crop.legalPounds) / last.body.kernelGrams
          : (crop.kernelsPerFootOfBushel ?? kernelGramsOfRule(1, crop.legalPounds) / crop.kernelGrams),
        per,
      ),
      price: price.text(last?.body.pricePerBu ?? windowFor(notebook, crop.id, null)?.value.price, per),
      left: areaWhole.text(last?.body.acresLeft ?? Math.round(standing.reduce((sum, f) => sum + f.acresLeft, 0))),
      before: last?.body.before ?? [],
      atHeader: [],
      behind: [],
      stands: false,
      unthreshed: '',
      symptom: '',
    };
  });
  const set = (change: Partial<Draft>) => setDraft({ ...draft, ...change });
  const [wrong, setWrong] = useState<Record<string, string>>({});

  const frame = frameArea.read(draft.frame, { least: LEAST_FRAME, most: MOST_FRAME, wanted: true });
  const perFoot = kernelsOfLoss.read(draft.perFoot, { least: 0.1, most: 5000, per, wanted: true });
  const paid = price.read(draft.price, { least: 0, most: 1000, per, wanted: true });
  const left = areaWhole.read(draft.left, { least: 0, most: 1_000_000, wanted: true });
  const setupErrors: Record<string, string> = {
    ...(frame.error ? { frame: frame.error } : {}),
    ...(perFoot.error ? { perFoot: perFoot.error } : {}),
    ...(paid.error ? { price: paid.error } : {}),
    ...(left.error ? { left: left.error } : {}),
  };
  const frames = (which: readonly Frame[]): LossFrame[] => [...which];
  const body: LossCount | null =
    draft.behind.length > 0 && Object.keys(setupErrors).length === 0
      ? {
          id: draft.id,
          at: '',
          machineId,
          lotId,
          behind: frames(draft.behind),
          before: frames(draft.before),
          atHeader: frames(draft.atHeader),
          kernelGrams: kernelGramsOfRule(perFoot.value!, crop.legalPounds),
          pricePerBu: paid.value!,
          acresLeft: left.value!,
          ...(draft.unthreshed === '' ? {} : { unthreshed: Number(draft.unthreshed) }),
          ...(draft.symptom === '' ? {} : { symptom: draft.symptom as Symptom }),
          ...(settingsId === undefined ? {} : { settingsId }),
        }
      : null;
  const check = body ? checkOf(farm, body, notebook.settings.combineProfile[machineId]?.value, speed) : null;

  const forward = (): void => {
    if (draft.step === 0) {
      setWrong(setupErrors);
      if (Object.keys(setupErrors).length > 0) return;
    }
    if (draft.step === 2 && !draft.stands)
      return setWrong({ stands: 'Stay out from behind the machine until it has stopped' });
    if (draft.step === 4 && draft.behind.length === 0)
      return setWrong({ behind: 'Count at least one frame behind the machine' });
    setWrong({});
    set({ step: draft.step + 1 });
  };
  const record = async (): Promise<void> => {
    if (!body) return;
    const at = new Date(farm.clock()).toISOString();
    if (!(await sending.send(() => write(farm.id, logged(farm.id, 'lossCheck', { ...body, at }), 'a loss check'))))
      return;
    done();
    toast('Loss check recorded');
    await refresh();
    onDone();
  };
  const counter = (which: Counted, words: ReactNode) => (
    <Counter
      key={which}
      frames={draft[which]}
      area={frame.value ?? 0}
      error={wrong[which]}
      onChange={(next) => {
        setWrong({});
        set({ [which]: next });
      }}
    >
      {words}
    </Counter>
  );
  const name = STEPS[draft.step]!;
  return (
    <Drawer open title="Loss check" onClose={onDone}>
      <div className="flex min-h-full flex-col">
        <section aria-label={`Loss check: ${name}`} className="flex-1 px-5 py-4">
          <p className="text-sm text-muted">
            {lot?.fieldName}, step {draft.step + 1} of {STEPS.length}
          </p>
          <h2 className="text-2xl">{name}</h2>
          <div className="mt-3">
            {draft.step === 0 && (
              <div className="grid grid-cols-2 gap-3">
                <TextBox
                  label="Frame"
                  unit={frameArea.unit}
                  inputMode="decimal"
                  value={draft.frame}
                  error={wrong.frame}
                  onChange={(e) => set({ frame: e.target.value })}
                />
                <TextBox
                  label={kernelsOfLossWords()}
                  inputMode="decimal"
                  value={draft.perFoot}
                  error={wrong.perFoot}
                  hint={
                    crop.kernelsPerFootOfBushel === null
                      ? 'by this crop’s kernel mass; count a thousand for a better one'
                      : 'rule of the trade; a count of a thousand is better'
                  }
                  onChange={(e) => set({ perFoot: e.target.value })}
                />
                <TextBox
                  label="Price"
                  unit={price.unit}
                  inputMode="decimal"
                  value={draft.price}
                  error={wrong.price}
                  onChange={(e) => set({ price: e.target.value })}
                />
                <TextBox
                  label={`Left of ${crop.short}`}
                  unit={areaWhole.unit}
                  inputMode="decimal"
                  value={draft.left}
                  error={wrong.left}
                  onChange={(e) => set({ left: e.target.value })}
                />
              </div>
            )}
            {draft.step === 1 &&
              counter(
                'before',
                <>
                  Stand in the standing crop, ten steps ahead of where the machine will stop. What lies there fell by
                  itself: it is not the machine&rsquo;s.
                </>,
              )}
            {draft.step === 2 && (
              <div className="space-y-4">
                <Callout icon className="px-4 py-3 text-lg">
                  Cut until it runs full, then stop it all at once and back up a machine&rsquo;s length.{' '}
                  <b>Separator and header off, engine off, key out. Wait until everything stands</b> before anybody goes
                  behind it or looks inside. The machine&rsquo;s book rules.
                </Callout>
                <CheckBox
                  large
                  className="text-xl font-semibold"
                  checked={draft.stands}
                  onChange={(on) => {
                    setWrong({});
                    set({ stands: on });
                  }}
                >
                  The machine stands, the key is in my pocket
                </CheckBox>
                <Problem>{wrong.stands}</Problem>
              </div>
            )}
            {draft.step === 3 &&
              counter(
                'atHeader',
                <>
                  Between the standing crop and the wheels, where only the head has been. Skip it, and header and rear
                  are not told apart.
                </>,
              )}
            {draft.step === 4 &&
              counter(
                'behind',
                <>
                  Behind the machine, inside what the spreader throws, several frames across the width. Count kernels on
                  cobs, heads and in pods too.
                </>,
              )}
            {draft.step === 5 && (
              <div className="space-y-4">
                <SelectBox
                  label="Of those behind, still on cobs, heads or in pods"
                  value={draft.unthreshed}
                  onChange={(e) => set({ unthreshed: e.target.value as Draft['unthreshed'] })}
                >
                  <option value="">not looked at</option>
                  <option value="0">none</option>
                  <option value="0.15">a few</option>
                  <option value="0.5">about half</option>
                  <option value="0.85">most</option>
                </SelectBox>
                <SelectBox
                  label="What is seen"
                  value={draft.symptom}
                  onChange={(e) => set({ symptom: e.target.value })}
                >
                  <option value="">nothing special</option>
                  {Object.entries(SYMPTOMS).map(([symptom, words]) => (
                    <option key={symptom} value={symptom}>
                      {words}
                    </option>
                  ))}
                </SelectBox>
              </div>
            )}
          </div>
        </section>
        <div className="sticky bottom-0 border-t border-ink bg-paper px-5 py-3">
          <p aria-label="Machine loss so far">
            {check ? (
              <>
                <b className="text-3xl">{loss.figure(check.parts.machine!.bushelsPerAcre, per)}</b> {loss.unit},{' '}
                <b>{moneyPerArea(check.parts.machine!.moneyPerAcre)}</b>
                {check.moneyPerHour === null ? '' : `, ${dollars(check.moneyPerHour)} an hour`}
                {check.moneyLeft === null ? '' : `, ${dollars(check.moneyLeft)} on what is left`}
                {check.warnings.map((warning) => (
                  <span key={warning} className="block text-sm">
                    ◐ {LOSS_WARNING_WORDS[warning]}
                  </span>
                ))}
              </>
            ) : (
              <span className="text-muted">The loss stands here from the first frame behind the machine.</span>
            )}
          </p>
          <Problem className="mb-2">{sending.message}</Problem>
          <div className="mt-2 flex flex-wrap gap-3">
            <Button
              className="min-h-16 flex-1"
              onClick={() => (draft.step === 0 ? onDone() : set({ step: draft.step - 1 }))}
            >
              {draft.step === 0 ? 'Not now' : 'Back'}
            </Button>
            {draft.step < STEPS.length - 1 ? (
              <Button look="do" className="min-h-16 flex-[2] text-lg" onClick={forward}>
                {(draft.step === 1 && draft.before.length === 0) || (draft.step === 3 && draft.atHeader.length === 0)
                  ? 'Skip it'
                  : 'Go on'}
              </Button>
            ) : (
              <Button
                look="do"
                className="min-h-16 flex-[2] text-lg"
                disabled={!body || sending.busy}
                onClick={() => void record()}
              >
                Record the count
              </Button>
            )}
          </div>
        </div>
      </div>
    </Drawer>
  );
}

/** Frames by a keypad that gloves can hit; the keyboard works too. */
function Counter({
  frames,
  area,
  error,
  onChange,
  children,
}: {
  frames: readonly Frame[];
  /** m² of the frame that is laid down now */
  area: number;
  error: string | undefined;
  onChange: (frames: Frame[]) => void;
  children: ReactNode;
}) {
  const [text, setText] = useState('');
  const [wrong, setWrong] = useState<string | undefined>();
  const type = (next: string) => {
    setText(next);
    setWrong(undefined);
  };
  const add = (): void => {
    const kernels = parseNumber(text);
    if (text.trim() === '' || Number.isNaN(kernels)) return setWrong('How many kernels? A whole number');
    if (kernels < 0) return setWrong('A count cannot be less than zero');
    if (!Number.isInteger(kernels)) return setWrong('Kernels are counted whole');
    if (kernels > 100_000) return setWrong('That is more than lies in a frame; check the digits');
    onChange([...frames, { kernels, area }]);
    setText('');
  };
  return (
    <div className="space-y-3">
      <div>
        <p className="text-lg">{children}</p>
        <ol className="mt-3 flex flex-wrap gap-2" aria-label="Frames counted">
          {frames.map((frame, i) => (
            <li key={i} className="flex items-center border border-ink">
              <span className="px-3 text-xl font-bold">{frame.kernels}</span>
              <span className="pr-1 text-sm text-muted">{frameArea(frame.area).text}</span>
              <button
                type="button"
                aria-label={`Take frame ${i + 1} out`}
                onClick={() => onChange(frames.filter((_, k) => k !== i))}
                className="flex min-h-11 min-w-11 items-center justify-center"
              >
                ×
              </button>
            </li>
          ))}
        </ol>
        <Problem className="mt-2">{error}</Problem>
      </div>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <TextBox
          label={`Kernels in frame ${frames.length + 1}`}
          inputMode="numeric"
          autoComplete="off"
          value={text}
          error={wrong}
          onChange={(event) => type(event.target.value)}
        />
        <div className="mt-2 grid grid-cols-3 gap-1.5">
          {['1', '2', '3', '4', '5', '6', '7', '8', '9'].map((digit) => (
            <Button key={digit} className="min-h-16 !text-2xl" onClick={() => type(text + digit)}>
              {digit}
            </Button>
          ))}
          <Button className="min-h-16" aria-label="Last digit out" onClick={() => type(text.slice(0, -1))}>
            <Delete size={24} aria-hidden="true" />
          </Button>
          <Button className="min-h-16 !text-2xl" onClick={() => type(`${text}0`)}>
            0
          </Button>
          <Button type="submit" className="min-h-16 bg-sand font-bold">
            Next frame
          </Button>
        </div>
      </form>
    </div>
  );
}
