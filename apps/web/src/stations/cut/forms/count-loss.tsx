import {
  checkOf,
  checksOf,
  cropOf,
  CROPS,
  fieldFacts,
  kernelGramsOfRule,
  type LossCount,
  type Symptom,
  SYMPTOMS,
  windowFor,
} from '@fanega/core';
import { Delete } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { toast } from '../../../ui/toast';
import { ulid } from 'ulid';
import { useRefreshFarm } from '../../../data/farm';
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
import { type Box, oneOf, rows, yesNo } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { useKept } from '../../../ui/use-kept';
import { between, figureBox } from '../../../widgets/record-boxes';
import { CheckBox } from '../../../ui/check-box';
import { Callout } from '../../../ui/callout';

/** Ten square feet, m²; and what a frame may be: from a fifth to two thousand. */
const USUAL_FRAME = 0.9290304;
const LEAST_FRAME = USUAL_FRAME / 50;
const MOST_FRAME = USUAL_FRAME * 200;

/** One id until it is recorded, over a reload too: sent again, it stays one check. */
interface Draft {
  readonly id: string;
  readonly step: number;
}
type Unthreshed = '' | '0' | '0.15' | '0.5' | '0.85';

/** Kernels that were counted in a frame. */
const kernelsBox: Box<number> = {
  read: (typed) => {
    const kernels = parseNumber(typed);
    if (typed.trim() === '' || Number.isNaN(kernels)) return { error: 'How many kernels? A whole number' };
    if (kernels < 0) return { error: 'A count cannot be less than zero' };
    if (!Number.isInteger(kernels)) return { error: 'Kernels are counted whole' };
    if (kernels > 100_000) return { error: 'That is more than lies in a frame; check the digits' };
    return { value: kernels };
  },
  control: { inputMode: 'numeric' },
};
/** m², as it was when the frame was laid down. */
const areaBox: Box<number> = { read: (typed) => ({ value: Number(typed) }) };
const frames = rows(() => ({ kernels: kernelsBox, area: areaBox }));
type FrameTexts = { kernels: string; area: string }[];

const countBoxes = (per: number) => ({
  frame: figureBox(between(LEAST_FRAME, MOST_FRAME), frameArea),
  perFoot: figureBox(between(0.1, 5000), kernelsOfLoss, { per }),
  price: figureBox(between(0, 1000), price, { per }),
  left: figureBox(between(0, 1_000_000), areaWhole),
  before: frames,
  atHeader: frames,
  behind: frames,
  stands: yesNo,
  unthreshed: oneOf<Unthreshed>(),
  symptom: oneOf<Symptom | ''>(),
});
const SET_UP = ['frame', 'perFoot', 'price', 'left'] as const;

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
  const lot = farm.lot(lotId);
  const crop = cropOf(lot?.crop ?? '') ?? CROPS.corn;
  const per = farm.kgPerBu(crop.id);
  const name = `${farm.id}.${machineId}.${lotId}`;
  const [draft, setDraft, done] = useKept<Draft>(`loss.step.${name}`, () => ({ id: ulid(), step: 0 }));
  const go = (step: number) => setDraft({ ...draft, step });
  const form = useFields({
    boxes: countBoxes(per),
    // Another name than before: what an older program kept here has other boxes.
    keptAs: `loss.count.${name}.${system()}`,
    start: () => {
      // The same field again: its frame, its terms and what lay there before harvest stay true.
      const [last] = checksOf(farm, notebook, machineId).filter((one) => one.body.lotId === lotId);
      const standing = fieldFacts(farm, rows, notebook).filter((f) => f.crop.id === crop.id);
      return {
        frame: frameArea.text(USUAL_FRAME),
        perFoot: kernelsOfLoss.text(
          last
            ? kernelGramsOfRule(1, crop.legalPounds) / last.body.kernelGrams
            : (crop.kernelsPerFootOfBushel ?? kernelGramsOfRule(1, crop.legalPounds) / crop.kernelGrams),
          per,
        ),
        price: price.text(last?.body.pricePerBu ?? windowFor(notebook, crop.id, null)?.value.price, per),
        left: areaWhole.text(last?.body.acresLeft ?? Math.round(standing.reduce((sum, f) => sum + f.acresLeft, 0))),
        before: (last?.body.before ?? []).map(({ kernels, area }) => ({
          kernels: String(kernels),
          area: String(area),
        })),
        atHeader: [],
        behind: [],
        stands: false,
        unthreshed: '' as const,
        symptom: '' as const,
      };
    },
    save: async () => {
      if (!body) return false;
      const at = new Date(farm.clock()).toISOString();
      await write(farm.id, logged(farm.id, 'lossCheck', { ...body, at }), 'a loss check');
      return undefined;
    },
    close: () => {
      done();
      toast('Loss check recorded');
      void refresh();
      onDone();
    },
  });
  const { texts } = form;
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const { values, errors } = form.read();
  const body: LossCount | null =
    values && values.behind.length > 0
      ? {
          id: draft.id,
          at: '',
          machineId,
          lotId,
          behind: values.behind,
          before: values.before,
          atHeader: values.atHeader,
          kernelGrams: kernelGramsOfRule(values.perFoot, crop.legalPounds),
          pricePerBu: values.price,
          acresLeft: values.left,
          ...(values.unthreshed === '' ? {} : { unthreshed: Number(values.unthreshed) }),
          ...(values.symptom === '' ? {} : { symptom: values.symptom }),
          ...(settingsId === undefined ? {} : { settingsId }),
        }
      : null;
  const check = body ? checkOf(farm, body, notebook.settings.combineProfile[machineId]?.value, speed) : null;

  const forward = (): void => {
    if (draft.step === 0 && SET_UP.some((box) => errors[box] !== undefined)) return setWrong(errors);
    if (draft.step === 2 && !texts.stands)
      return setWrong({ stands: 'Stay out from behind the machine until it has stopped' });
    if (draft.step === 4 && texts.behind.length === 0)
      return setWrong({ behind: 'Count at least one frame behind the machine' });
    setWrong({});
    go(draft.step + 1);
  };
  const counter = (which: Counted, words: ReactNode) => (
    <Counter
      key={which}
      frames={texts[which]}
      area={frameArea.read(texts.frame).value ?? 0}
      error={wrong[which]}
      onChange={(next) => {
        setWrong({});
        form.set(which, next);
      }}
    >
      {words}
    </Counter>
  );
  /** Said once he went on, and gone as soon as it is put right. */
  const setUp = (box: (typeof SET_UP)[number]) => ({
    ...form.box(box),
    error: wrong[box] === undefined ? undefined : errors[box],
  });
  const step = STEPS[draft.step]!;
  return (
    <Drawer open title="Loss check" onClose={onDone}>
      <div className="flex min-h-full flex-col">
        <section aria-label={`Loss check: ${step}`} className="flex-1 px-5 py-4">
          <p className="text-sm text-muted">
            {lot?.fieldName}, step {draft.step + 1} of {STEPS.length}
          </p>
          <h2 className="text-2xl">{step}</h2>
          <div className="mt-3">
            {draft.step === 0 && (
              <div className="grid grid-cols-2 gap-3">
                <TextBox label="Frame" {...setUp('frame')} />
                <TextBox
                  label={kernelsOfLossWords()}
                  {...setUp('perFoot')}
                  unit={undefined}
                  hint={
                    crop.kernelsPerFootOfBushel === null
                      ? 'by this crop’s kernel mass; count a thousand for a better one'
                      : 'rule of the trade; a count of a thousand is better'
                  }
                />
                <TextBox label="Price" {...setUp('price')} />
                <TextBox label={`Left of ${crop.short}`} {...setUp('left')} />
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
                  <b>Separator and header off, engine off, key out. Wait until everything has stopped</b> before anybody
                  goes behind it or looks inside. Follow the operator&rsquo;s manual.
                </Callout>
                <CheckBox
                  large
                  className="text-xl font-semibold"
                  checked={texts.stands}
                  onChange={(on) => {
                    setWrong({});
                    form.set('stands', on);
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
                <SelectBox label="Of those behind, still on cobs, heads or in pods" {...form.box('unthreshed')}>
                  <option value="">not looked at</option>
                  <option value="0">none</option>
                  <option value="0.15">a few</option>
                  <option value="0.5">about half</option>
                  <option value="0.85">most</option>
                </SelectBox>
                <SelectBox label="What is seen" {...form.box('symptom')}>
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
          <Problem className="mb-2">{form.problem}</Problem>
          <div className="mt-2 flex flex-wrap gap-3">
            <Button className="min-h-16 flex-1" onClick={() => (draft.step === 0 ? onDone() : go(draft.step - 1))}>
              {draft.step === 0 ? 'Not now' : 'Back'}
            </Button>
            {draft.step < STEPS.length - 1 ? (
              <Button look="do" className="min-h-16 flex-[2] text-lg" onClick={forward}>
                {(draft.step === 1 && texts.before.length === 0) || (draft.step === 3 && texts.atHeader.length === 0)
                  ? 'Skip it'
                  : 'Go on'}
              </Button>
            ) : (
              <Button
                look="do"
                className="min-h-16 flex-[2] text-lg"
                disabled={!body || form.busy}
                onClick={() => void form.submit()}
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
  frames: counted,
  area,
  error,
  onChange,
  children,
}: {
  frames: FrameTexts;
  /** m² of the frame that is laid down now */
  area: number;
  error: string | undefined;
  onChange: (frames: FrameTexts) => void;
  children: ReactNode;
}) {
  const form = useFields({
    boxes: { kernels: kernelsBox },
    start: () => ({ kernels: '' }),
    save: ({ kernels }) => Promise.resolve(onChange([...counted, { kernels: String(kernels), area: String(area) }])),
  });
  const type = (next: string) => form.set('kernels', next);
  const { kernels } = form.texts;
  return (
    <div className="space-y-3">
      <div>
        <p className="text-lg">{children}</p>
        <ol className="mt-3 flex flex-wrap gap-2" aria-label="Frames counted">
          {counted.map((frame, i) => (
            <li key={i} className="flex items-center border border-ink">
              <span className="px-3 text-xl font-bold">{frame.kernels}</span>
              <span className="pr-1 text-sm text-muted">{frameArea(Number(frame.area)).text}</span>
              <button
                type="button"
                aria-label={`Take frame ${i + 1} out`}
                onClick={() => onChange(counted.filter((_, k) => k !== i))}
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
          void form.submit();
        }}
      >
        <TextBox label={`Kernels in frame ${counted.length + 1}`} autoComplete="off" {...form.box('kernels')} />
        <div className="mt-2 grid grid-cols-3 gap-1.5">
          {['1', '2', '3', '4', '5', '6', '7', '8', '9'].map((digit) => (
            <Button key={digit} className="min-h-16 !text-2xl" onClick={() => type(kernels + digit)}>
              {digit}
            </Button>
          ))}
          <Button className="min-h-16" aria-label="Last digit out" onClick={() => type(kernels.slice(0, -1))}>
            <Delete size={24} aria-hidden="true" />
          </Button>
          <Button className="min-h-16 !text-2xl" onClick={() => type(`${kernels}0`)}>
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
