import type { PairedJob } from '@fanega/contract';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { post, send } from '../../data/api';
import { type Farm, useFarm, useJob } from '../../data/farm';
import { useOutbox } from '../../data/outbox';
import { Button, Loading, Problem, TextBox } from '../../ui';
import { canStayAwake, keepAwake, wantsAwake } from '../../ui/stay-awake';
import { WeaveDefs } from '../../widgets/weave';
import { InCab, type Who } from './pages/in-cab';

/** The bin keeper's page, and the sciences with it, only for who stands there. */
const AtBins = lazy(() => import('./pages/at-bins').then(({ AtBins: page }) => ({ default: page })));
const AtGate = lazy(() => import('./pages/at-gate').then(({ AtGate: page }) => ({ default: page })));
/** Jobs without a vehicle. */
const AT_BINS = '@bins';
const AT_GATE = '@gate';
const jobPlace = ({ kind, placeId }: PairedJob): string => (kind === 'machine' ? (placeId ?? '') : `@${kind}`);
import { SwitchBox } from '../../ui/switch-box';
import { Callout } from '../../ui/callout';
import { say, useLanguage } from '../../words';
import { useGloves } from '../../ui/use-gloves';
import { LanguageChoice } from '../../widgets/language-choice';

const KEPT = 'fanega.cab';
const CABS = ['combine', 'cart', 'truck', 'dryer'];

function keptWho(): Who | null {
  try {
    return JSON.parse(localStorage.getItem(KEPT) ?? 'null') as Who | null;
  } catch {
    return null;
  }
}

/** The same program for one hand: what is in my tank, whose it is, how wet, and what is next. */
export default function Cab({ offline }: { offline: boolean }) {
  const farm = useFarm();
  const spoken = useLanguage();
  const job = useJob();
  const [chosen, setWho] = useState<Who | null>(keptWho);
  const [changing, setChanging] = useState(false);
  // A paired phone is in its machine, whoever holds it.
  const own = job && jobPlace(job);
  const who = job && own !== null ? { name: chosen?.placeId === own ? chosen.name : job.driver, placeId: own } : chosen;
  const me = changing ? null : who && farm.place(who.placeId);
  useGloves();
  return (
    <div key={spoken} lang={spoken} className="mx-auto flex min-h-dvh max-w-3xl flex-col landscape:max-w-none">
      <WeaveDefs lots={farm.data.lots.length} />
      {!changing && who?.placeId === AT_BINS ? (
        <Suspense fallback={<Loading what={say('atBins')} />}>
          <AtBins farm={farm} name={who.name} offline={offline} onLeave={() => setChanging(true)} />
        </Suspense>
      ) : !changing && who?.placeId === AT_GATE ? (
        <Suspense fallback={<Loading what={say('atGate')} />}>
          <AtGate farm={farm} name={who.name} offline={offline} onLeave={() => setChanging(true)} />
        </Suspense>
      ) : me && who ? (
        <InCab farm={farm} who={who} me={me} offline={offline} onLeave={() => setChanging(true)} />
      ) : (
        <Choose
          farm={farm}
          job={job}
          start={who}
          onChosen={(chosen) => {
            localStorage.setItem(KEPT, JSON.stringify(chosen));
            setWho(chosen);
            setChanging(false);
          }}
        />
      )}
    </div>
  );
}

function Choose({
  farm,
  job,
  start,
  onChosen,
}: {
  farm: Farm;
  job: PairedJob | null;
  start: Who | null;
  onChosen: (who: Who) => void;
}) {
  const [name, setName] = useState(start?.name ?? '');
  const [awake, setAwake] = useState(wantsAwake);
  const [wrong, setWrong] = useState<string | undefined>();
  const cabs = job ? [] : farm.data.places.filter((place) => CABS.includes(place.kind));
  const choose = (placeId: string): void =>
    name.trim() === '' ? setWrong(say('nameStands')) : onChosen({ name: name.trim(), placeId });
  return (
    <main className="mx-auto w-full max-w-3xl space-y-5 p-5">
      <div className="flex flex-wrap items-start justify-between gap-4">
        <h1 className="text-3xl">{job ? job.label : say('who')}</h1>
        <LanguageChoice />
      </div>
      <TextBox
        label={say('yourName')}
        maxLength={60}
        autoComplete="name"
        value={name}
        error={wrong}
        onChange={(event) => {
          setName(event.target.value);
          setWrong(undefined);
        }}
      />
      {!window.isSecureContext && (
        <Callout role="note" className="px-3 py-2">
          {say('notHttps')}
        </Callout>
      )}
      {!job && cabs.length === 0 && <p className="text-lg">{say('noCabs')}</p>}
      <div className="grid grid-cols-2 gap-3">
        {cabs.map((place) => (
          <Button key={place.id} className="!min-h-20 !text-xl" onClick={() => choose(place.id)}>
            {place.name}
          </Button>
        ))}
        {job ? (
          <Button look="do" className="col-span-2 !min-h-20 !text-xl" onClick={() => choose(jobPlace(job))}>
            {say('goOn')}
          </Button>
        ) : (
          <>
            <Button className="!min-h-20 !text-xl" onClick={() => choose(AT_BINS)}>
              {say('atBins')}
            </Button>
            {cabs.some(({ kind }) => kind === 'truck') && (
              <Button className="!min-h-20 !text-xl" onClick={() => choose(AT_GATE)}>
                {say('atGate')}
              </Button>
            )}
          </>
        )}
      </div>
      {canStayAwake() && (
        <SwitchBox
          large
          className="text-lg"
          on={awake}
          onChange={(on) => {
            keepAwake(on);
            setAwake(on);
          }}
        >
          {say('staysOn')}
        </SwitchBox>
      )}
      {job ? (
        <GiveBack />
      ) : (
        <Link
          to="/"
          className="inline-flex min-h-16 items-center font-semibold underline decoration-rule underline-offset-4"
        >
          {say('toOffice')}
        </Link>
      )}
    </main>
  );
}

/** The driver ends the phone's job himself; not while loads wait on it, which nobody could send then. */
function GiveBack() {
  const waiting = useOutbox().waiting.length;
  const [sure, setSure] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  if (waiting > 0)
    return (
      <p role="status" className="text-lg text-muted">
        {say('giveBackWaits', { n: waiting })}
      </p>
    );
  const end = (): void => {
    if (!sure) return setSure(true);
    send(post('/api/auth/sign-out', {})).then(
      () => window.location.assign('/'),
      (error: Error) => setProblem(error.message),
    );
  };
  return (
    <div>
      <Button className="!text-lg" onClick={end}>
        {say(sure ? 'giveBackSure' : 'giveBack')}
      </Button>
      <Problem>{problem}</Problem>
    </div>
  );
}
