import { lazy, Suspense, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { type Farm, useFarm } from '../../data/farm';
import { Button, Choices, Loading, TextBox } from '../../ui';
import { canStayAwake, keepAwake, wantsAwake } from '../../ui/stay-awake';
import { WeaveDefs } from '../../widgets/weave';
import { InCab, type Who } from './pages/in-cab';

/** The bin keeper's page, and the sciences with it, only for who stands there. */
const AtBins = lazy(() => import('./pages/at-bins').then(({ AtBins: page }) => ({ default: page })));
/** A job without a vehicle. */
const AT_BINS = '@bins';
import { SwitchBox } from '../../ui/switch-box';
import { Callout } from '../../ui/callout';
import { language, say, useLanguage } from '../../words';

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
  const [who, setWho] = useState<Who | null>(keptWho);
  const [changing, setChanging] = useState(false);
  const me = changing ? null : who && farm.place(who.placeId);
  // Targets for gloves, in the sheets too that are opened from here.
  useEffect(() => {
    document.documentElement.dataset.glove = '';
    return () => {
      delete document.documentElement.dataset.glove;
    };
  }, []);
  return (
    <div key={spoken} lang={spoken} className="mx-auto flex min-h-dvh max-w-3xl flex-col landscape:max-w-none">
      <WeaveDefs lots={farm.data.lots.length} />
      {!changing && who?.placeId === AT_BINS ? (
        <Suspense fallback={<Loading what={say('atBins')} />}>
          <AtBins farm={farm} name={who.name} offline={offline} onLeave={() => setChanging(true)} />
        </Suspense>
      ) : me && who ? (
        <InCab farm={farm} who={who} me={me} offline={offline} onLeave={() => setChanging(true)} />
      ) : (
        <Choose
          farm={farm}
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

function Choose({ farm, start, onChosen }: { farm: Farm; start: Who | null; onChosen: (who: Who) => void }) {
  const [name, setName] = useState(start?.name ?? '');
  const [awake, setAwake] = useState(wantsAwake);
  const [wrong, setWrong] = useState<string | undefined>();
  const cabs = farm.data.places.filter((place) => CABS.includes(place.kind));
  return (
    <main className="mx-auto w-full max-w-3xl space-y-5 p-5">
      <div className="flex flex-wrap items-start justify-between gap-4">
        <h1 className="text-3xl">{say('who')}</h1>
        <Choices
          label="Language, idioma"
          hidden
          value={language.now()}
          onChange={language.setReaders}
          choices={[
            { value: 'en', label: 'English' },
            { value: 'es', label: 'Español' },
          ]}
        />
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
      {cabs.length === 0 && <p className="text-lg">{say('noCabs')}</p>}
      <div className="grid grid-cols-2 gap-3">
        {cabs.map((place) => (
          <Button
            key={place.id}
            className="!min-h-20 !text-xl"
            onClick={() =>
              name.trim() === '' ? setWrong(say('nameStands')) : onChosen({ name: name.trim(), placeId: place.id })
            }
          >
            {place.name}
          </Button>
        ))}
        <Button
          className="!min-h-20 !text-xl"
          onClick={() =>
            name.trim() === '' ? setWrong(say('nameStands')) : onChosen({ name: name.trim(), placeId: AT_BINS })
          }
        >
          {say('atBins')}
        </Button>
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
      <Link
        to="/"
        className="inline-flex min-h-16 items-center font-semibold underline decoration-rule underline-offset-4"
      >
        {say('toOffice')}
      </Link>
    </main>
  );
}
