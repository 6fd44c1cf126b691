import {
  type ChangeoverStep,
  changeoverSteps,
  type CropId,
  CROPS,
  type DoneStep,
  FIRST_HUNDRED_FEET,
  type SettingEntry,
  type ShedRecords,
} from '@fanega/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { type Farm, useMe } from '../../../data/farm';
import { Button, Empty, SelectBox, TextBox } from '../../../ui';
import { words } from '../../../ui/form/box';
import { Form } from '../../../ui/form/form';
import { useFields } from '../../../ui/form/use-fields';
import { Hazard, useAcknowledged } from '../../../widgets/hazard';
import { clock, day } from '../../../quantity/time';
import { Photo, PhotoBox } from '../../../widgets/photo-box';
import { useSettingChange } from '../use-setting-change';
import { Section } from '../../../ui/page';

const NONE: SettingEntry<'changeover'> = { revision: 0, value: { from: null, to: 'soybean', done: [] } };

/** What comes out and what goes in, place by place; a photograph is the proof that the old crop's parts are out. */
export function ChangeoverPage({ farm, shed, assetId }: { farm: Farm; shed: ShedRecords; assetId: string }) {
  const me = useMe();
  const asset = shed.settings.machine[assetId]?.value;
  const kept = shed.settings.changeover[assetId] ?? NONE;
  const sending = useSettingChange('changeover', assetId);
  // The farm's own crops first; a machine may come from elsewhere.
  const isGrown = (crop: CropId): boolean => farm.data.lots.some((lot) => lot.crop === crop);
  const crops = farm.crops.map(({ id }) => id as CropId).sort((a, b) => Number(isGrown(b)) - Number(isGrown(a)));
  const [from, setFrom] = useState<CropId | ''>(kept.value.from ?? '');
  const [to, setTo] = useState(kept.value.to);
  if (!asset) return <Empty title="No such machine in the shed." />;
  const { value: sheet } = kept;
  const running = kept.revision > 0;
  const steps = changeoverSteps(sheet.from, sheet.to);
  const done = new Map(sheet.done.map((one) => [one.step, one]));
  const open = steps.filter((step) => !done.has(step.id));
  const name = me.data?.user?.name ?? '';
  const begin = (): void => void sending.change(() => ({ from: from === '' ? null : from, to, done: [] }), kept);
  const mark = (step: string, proof: Partial<DoneStep>): Promise<boolean> =>
    sending.change(
      (now) => ({
        ...now,
        done: [
          ...now.done.filter((one) => one.step !== step),
          { step, at: new Date(farm.clock()).toISOString(), by: name, ...proof },
        ],
      }),
      kept,
    );
  return (
    <div>
      <div className="flex flex-wrap items-end justify-between gap-4 px-5 py-5 lg:px-6">
        <div>
          <h2 className="text-3xl">
            <Link to={`/shed/${assetId}`} className="underline decoration-rule underline-offset-4">
              {asset.name}
            </Link>
            : change of crop
          </h2>
          {running && (
            <p className="text-xl">
              <b>{open.length === 0 ? '● Changed over' : `◐ ${open.length} of ${steps.length} places to go`}</b>,{' '}
              {sheet.from ? CROPS[sheet.from as CropId].short : 'whatever was in'} to {CROPS[sheet.to as CropId].short}
            </p>
          )}
        </div>
        <div className="flex flex-wrap items-end gap-3">
          <div className="w-40">
            <SelectBox label="Out of" value={from} onChange={(event) => setFrom(event.target.value as CropId | '')}>
              <option value="">not known</option>
              {crops.map((crop) => (
                <option key={crop} value={crop}>
                  {CROPS[crop].name}
                </option>
              ))}
            </SelectBox>
          </div>
          <div className="w-40">
            <SelectBox label="Into" value={to} onChange={(event) => setTo(event.target.value as CropId)}>
              {crops.map((crop) => (
                <option key={crop} value={crop}>
                  {CROPS[crop].name}
                </option>
              ))}
            </SelectBox>
          </div>
          <Button look={running ? 'plain' : 'do'} disabled={sending.busy} onClick={begin}>
            {running ? 'Start over' : 'Begin'}
          </Button>
        </div>
      </div>
      {sending.message && (
        <p role="alert" className="px-5 pb-3 font-semibold text-clay lg:px-6">
          {sending.message}
        </p>
      )}
      {running && (
        <ol aria-label="Places" className="border-t border-ink">
          {steps.map((step) => (
            <Step
              key={`${sheet.to} ${step.id}`}
              farm={farm}
              machine={asset.name}
              step={step}
              done={done.get(step.id)}
              busy={sending.busy}
              onMark={(proof) => mark(step.id, proof)}
            />
          ))}
        </ol>
      )}
      <Section label="First thirty steps">
        <h3 className="text-xl">Then cut thirty steps, stop, and check</h3>
        <ol className="mt-2 list-decimal space-y-1 pl-6">
          {FIRST_HUNDRED_FEET.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ol>
        <p className="mt-2 text-sm text-muted">Common practice; the machine&rsquo;s own book comes first.</p>
      </Section>
    </div>
  );
}

function Step({
  farm,
  machine,
  step,
  done,
  busy,
  onMark,
}: {
  farm: Farm;
  machine: string;
  step: ChangeoverStep & { readonly changes: boolean };
  done: DoneStep | undefined;
  busy: boolean;
  onMark: (proof: Partial<DoneStep>) => Promise<boolean>;
}) {
  const before = `${machine}: ${step.part}`;
  const { needed, done: read } = useAcknowledged(step.card, before);
  const [without, setWithout] = useState(false);
  const locked = needed && !read;
  const { timeZone } = farm.data.farm;
  return (
    <li
      aria-label={step.part}
      className="grid gap-x-6 gap-y-2 border-b border-rule px-5 py-3 md:grid-cols-[1fr_17rem] lg:px-6"
    >
      <div>
        <p className="text-lg font-semibold">
          <span aria-hidden="true">{done ? '● ' : step.changes ? '○ ' : '– '}</span>
          {step.part} <span className="font-normal text-muted">{step.position}</span>
        </p>
        <p className="text-lg">
          {step.changes && step.out !== step.into ? (
            <>
              out: {step.out} → <b>in: {step.into}</b>
            </>
          ) : (
            <>
              <b>{step.into}</b>
              {step.changes ? '' : ', stays: look that it is so'}
            </>
          )}
        </p>
        <p className="text-sm text-muted">{step.why}</p>
        {!done && step.card && (
          <div className="mt-2 max-w-2xl">
            <Hazard card={step.card} before={before} />
          </div>
        )}
        {done && (
          <p className="text-sm">
            {day(done.at, timeZone)} {clock(done.at, timeZone)}, {done.by}
            {done.noPhoto ? `; no photograph: ${done.noPhoto}` : ''}
          </p>
        )}
      </div>
      <div className="space-y-2">
        {done?.photo && <Photo photoId={done.photo} alt={`${step.part}, as it was left`} />}
        {!done && !locked && (
          <div className="flex flex-wrap items-center gap-3">
            {step.photo ? (
              <>
                <PhotoBox label="Photograph it" about={before} onTaken={(photo) => onMark({ photo })} />
                {!without ? (
                  <Button look="quiet" className="!px-0 text-sm" onClick={() => setWithout(true)}>
                    Without a photograph
                  </Button>
                ) : (
                  <WithoutPhoto onMark={onMark} />
                )}
              </>
            ) : (
              <Button disabled={busy} onClick={() => void onMark({})}>
                It is done
              </Button>
            )}
          </div>
        )}
      </div>
    </li>
  );
}

/** A step without its picture wants a reason. */
function WithoutPhoto({ onMark }: { onMark: (proof: Partial<DoneStep>) => Promise<boolean> }) {
  const form = useFields({
    boxes: { noPhoto: words(120, 'Say why: left-in parts are found a field later') },
    start: () => ({ noPhoto: '' }),
    save: onMark,
  });
  return (
    <Form form={form} button="It is done" small className="w-full space-y-2">
      <TextBox label="No photograph, because" {...form.box('noPhoto')} />
    </Form>
  );
}
