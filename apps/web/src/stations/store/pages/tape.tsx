import {
  BIN_VOLUME,
  type BinSetup,
  cropOf,
  CROPS,
  PACK_ERROR,
  PACKING,
  RangeRefusal,
  type SeenSurface,
  TAPE_CHECK,
  tapeCheck,
  TAPE_ERROR,
  type TapeCheck,
} from '@fanega/core';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { type Farm, useBinSetups, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { bookCommand } from '../../../data/outbox/book-command';
import { useSend } from '../../../data/use-send';
import { count, grain, length, moisture, number, percent } from '../../../quantity/quantity';
import { Button, Choices, Empty, Loading, Problem, SelectBox, TextBox } from '../../../ui';
import { Section } from '../../../ui/page';
import { toast } from '../../../ui/toast';
import { Verdict } from '../../../ui/verdict';
import { Hazard } from '../../../widgets/hazard';
import { CropBox } from '../../../widgets/crop-box';
import { Working } from '../../../widgets/working';
import { restated } from '../../../widgets/restated';
import { Suspects } from './suspects';

const KINDS = ['bin', 'wetBin', 'overhead'];

/** What a tape says is in a bin, held against the book: a question first, restated only when somebody says so. */
export default function Tape({ farm }: { farm: Farm }) {
  const setups = useBinSetups().data?.settings.binSetup;
  const bins = farm.data.places.filter(
    (place) => KINDS.includes(place.kind) && (setups?.[place.id]?.value.eave ?? 0) >= 0.5,
  );
  const [search, setSearch] = useSearchParams();
  if (!setups) return <Loading what="Opening" />;
  const fullest = [...bins].sort((a, b) => farm.held(b.id).wetKg - farm.held(a.id).wetKg)[0];
  const bin = bins.find(({ id }) => id === search.get('bin')) ?? fullest;
  if (!bin)
    return <Empty title="No bin has its size yet: in Names and sizes, open one and type its diameter and its wall." />;
  return (
    <Check
      key={bin.id}
      farm={farm}
      binId={bin.id}
      setup={setups[bin.id]!.value}
      choose={
        <SelectBox
          label="Bin"
          value={bin.id}
          onChange={(event) => setSearch({ bin: event.target.value }, { replace: true })}
        >
          {bins.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </SelectBox>
      }
    />
  );
}

function Check({
  farm,
  binId,
  setup,
  choose,
}: {
  farm: Farm;
  binId: string;
  setup: BinSetup;
  choose: React.ReactNode;
}) {
  const [seen, setSeen] = useState<SeenSurface>('level');
  const [text, setText] = useState<{ below?: string; degrees?: string; moisture?: string; crop?: string; by?: string }>(
    {},
  );
  const held = farm.held(binId);
  const heldCrop = farm.cropOf(held.lots);
  const crop = cropOf(heldCrop ?? text.crop ?? setup.crop ?? 'corn') ?? CROPS.corn;
  const per = farm.kgPerBu(crop.id);
  const slope = seen === 'cored' ? crop.emptyingDegrees : crop.reposeDegrees;
  const shownDegrees = text.degrees ?? count.text(slope);
  const shownMoisture = text.moisture ?? moisture.text(Math.round(1000 * (held.moisture ?? crop.baseMoisture)) / 1000);
  const below = length.read(text.below ?? '', { least: 0, most: setup.eave + setup.hopper, wanted: true });
  const degrees = count.read(shownDegrees, { least: 1, most: 60, wanted: true });
  const wet = moisture.read(shownMoisture, { least: 0.03, most: 0.5, wanted: true });
  const asksTape = seen !== 'empty';
  const untyped = asksTape && (text.below ?? '').trim() === '';
  let found: TapeCheck | null = null;
  let problem: string | null = null;
  if (
    !untyped &&
    wet.value !== undefined &&
    (!asksTape || below.value !== undefined) &&
    (seen === 'level' || seen === 'empty' || degrees.value !== undefined)
  )
    try {
      found = tapeCheck({
        setup,
        crop,
        moisture: wet.value,
        seen,
        belowEave: below.value ?? 0,
        ...(degrees.value === undefined ? {} : { degrees: degrees.value }),
        bookKg: held.wetKg,
      });
    } catch (error) {
      if (!(error instanceof RangeRefusal)) throw error;
      problem = error.message;
    }
  const name = farm.placeName(binId);
  return (
    <div className="lg:grid lg:grid-cols-[1.35fr_1fr]">
      <Section label="What the tape says">
        {untyped ? (
          <>
            <Verdict small figure="Read the tape" about={name}>
              The book has {grain(held.wetKg, per).text} in it
              {held.moisture === null ? '.' : ` at ${percent(held.moisture)}.`} From the eave down to the grain, at the
              wall.
            </Verdict>
          </>
        ) : !found ? (
          <p className="text-lg text-muted">{problem ?? 'A number on the right needs fixing.'}</p>
        ) : (
          <Found farm={farm} binId={binId} found={found} per={per} bookKg={held.wetKg} seen={seen} by={text.by} />
        )}
        {found && (
          <Working
            what={`${name}: ${grain(found.kg, per).text} by tape`}
            formulas={[TAPE_CHECK, BIN_VOLUME, PACKING]}
            inputs={[
              {
                name: 'Bin',
                value: `${length(setup.diameter).text} across, wall ${length(setup.eave).text}`,
                from: 'Names and sizes',
              },
              {
                name: 'Grain',
                value: asksTape ? `${length(below.value ?? 0).text} below the eave, ${SEEN[seen]}` : SEEN[seen],
                from: 'typed',
              },
              {
                name: 'Moisture',
                value: percent(wet.value!),
                from: text.moisture === undefined ? 'the book' : 'typed',
              },
              {
                name: 'Packing',
                value: `× ${number(found.pack, 3)}`,
                from: found.packBy === 'own factor' ? 'this bin’s own factor' : 'a table; a bin weighed out beats it',
              },
            ]}
            worked={[
              `± √((${length(TAPE_ERROR).text} over the floor)² + (${percent(found.packBy === 'own factor' ? PACK_ERROR.own : PACK_ERROR.table)} packing)²) = ± ${grain(found.errorKg, per).text}`,
              `${grain(found.kg, per).text} − ${grain(held.wetKg, per).text} in the book = ${grain(found.differenceKg, per).text}`,
            ]}
            not="a slope that is steeper on one side, sweeps left uneven, and grain of another density on top."
          />
        )}
        <Hazard card="binEntry" before={`tape ${binId}`} />
      </Section>
      <section
        aria-label="What is seen"
        className="space-y-4 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
      >
        {choose}
        {heldCrop === undefined && (
          <CropBox value={crop.id} onChange={(chosen) => setText({ ...text, crop: chosen })} />
        )}
        <Choices
          label="Its surface"
          value={seen}
          onChange={setSeen}
          choices={[
            { value: 'level', label: 'level' },
            { value: 'peaked', label: 'peak' },
            { value: 'cored', label: 'core drawn' },
            { value: 'empty', label: 'empty, swept' },
          ]}
        />
        {asksTape && (
          <div className="grid grid-cols-2 gap-3">
            <TextBox
              label="Down from the eave"
              unit={length.unit}
              inputMode="decimal"
              value={text.below ?? ''}
              error={untyped ? undefined : below.error}
              hint="at the wall"
              onChange={(event) => setText({ ...text, below: event.target.value })}
            />
            <TextBox
              label="Moisture"
              unit={moisture.unit}
              inputMode="decimal"
              value={shownMoisture}
              error={wet.error}
              hint={text.moisture === undefined ? 'as the book has it' : undefined}
              onChange={(event) => setText({ ...text, moisture: event.target.value })}
            />
            {seen !== 'level' && (
              <TextBox
                label={seen === 'peaked' ? 'Steepness of the peak' : 'Steepness of the funnel'}
                unit="°"
                inputMode="decimal"
                value={shownDegrees}
                error={degrees.error}
                hint={text.degrees === undefined ? `as ${crop.short} lies` : undefined}
                onChange={(event) => setText({ ...text, degrees: event.target.value })}
              />
            )}
          </div>
        )}
        <TextBox
          label="Read by"
          value={text.by ?? ''}
          onChange={(event) => setText({ ...text, by: event.target.value })}
        />
        <p className="text-sm text-muted">
          A weighted tape from the hatch does; nobody goes in for a reading. Tell somebody before you climb.
        </p>
      </section>
    </div>
  );
}

const SEEN: Readonly<Record<SeenSurface, string>> = {
  level: 'level',
  peaked: 'with a peak',
  cored: 'with its core drawn',
  empty: 'empty and swept',
};

function Found({
  farm,
  binId,
  found,
  per,
  bookKg,
  seen,
  by,
}: {
  farm: Farm;
  binId: string;
  found: TapeCheck;
  per: number;
  bookKg: number;
  seen: SeenSurface;
  by: string | undefined;
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const bu = (kg: number): string => grain(Math.abs(kg), per).text;
  const share = bookKg > 0 ? ` (${percent(Math.abs(found.differenceKg) / bookKg)})` : '';
  const said = grain(found.kg, per);
  const accept = async (): Promise<void> => {
    const entry = restated(farm, binId, found.kg, by?.trim() ? { by: by.trim() } : {});
    if (!(await sending.send(() => write(farm.id, bookCommand(farm.id, [entry]), 'a level')))) return;
    toast(`${farm.placeName(binId)} restated to ${grain(found.kg, per).text}`);
    await refresh();
  };
  return (
    <>
      <Verdict
        figure={said.figure}
        unit={`${said.unit} ${seen === 'empty' ? 'in it' : 'by tape'}`}
        bad={found.answer !== 'agrees'}
        about={`${farm.placeName(binId)}, ${SEEN[seen]}`}
      >
        {found.answer === 'agrees' ? (
          <>
            <b>The book agrees:</b> it has {bu(bookKg)}. The difference of {bu(found.differenceKg)}
            {share} is within the {bu(found.errorKg)} that tape and packing can be off. Leave the book as it is.
          </>
        ) : (
          <>
            <b>
              {bu(found.differenceKg)} {found.answer === 'more' ? 'more' : 'less'} than the book
            </b>
            {share}, which has {bu(bookKg)}. Tape and packing can be off by {bu(found.errorKg)}: this is more.
          </>
        )}
      </Verdict>
      {found.byBook && (
        <p className="mt-2 text-lg">
          {found.byBook.kind === 'fits' ? (
            <>
              If the book were right, the tape would read <b>{length(found.bookBelowEave!).text}</b>.
            </>
          ) : found.byBook.kind === 'does_not_fit' ? (
            'What the book has would not fit under this surface at all.'
          ) : (
            'What the book has is too little to reach the wall like this.'
          )}{' '}
          Room: {bu(found.roomLevelKg)} to the eave, {bu(found.roomHeapedKg)} heaped. A peak hinders air: draw its core
          before the fan.
        </p>
      )}
      {found.answer !== 'agrees' && (
        <div className="mt-4 space-y-3 border-t border-rule pt-4">
          <Suspects farm={farm} binId={binId} found={found} per={per} />
          <Button disabled={sending.busy} onClick={() => void accept()}>
            Restate the book to {grain(found.kg, per).text}
          </Button>
          <p className="text-sm text-muted">
            The difference is then shown as restated, at this bin and in each field’s account; nothing is hidden.
          </p>
          <Problem>{sending.message}</Problem>
        </div>
      )}
    </>
  );
}
