import { Mic, MicOff } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { language, say } from '../words';
import { Button } from '../ui';

/** What this needs of the browser's own listening. */
interface Listening {
  lang: string;
  interimResults: boolean;
  start(): void;
  abort(): void;
  onresult: ((event: { readonly results: ArrayLike<ArrayLike<{ readonly transcript: string }>> }) => void) | null;
  onerror: (() => void) | null;
  onend: (() => void) | null;
}
type Maker = new () => Listening;

const maker = (): Maker | undefined => {
  const own = globalThis as { SpeechRecognition?: Maker; webkitSpeechRecognition?: Maker };
  return own.SpeechRecognition ?? own.webkitSpeechRecognition;
};

/** A word said instead of typed, by the browser's own listening; nothing where it has none. What it hears stands in the box, to be read before it is kept. */
export function Dictate({ text, onText, most }: { text: string; onText: (text: string) => void; most: number }) {
  const [state, setState] = useState<'still' | 'listens' | 'none'>('still');
  const listening = useRef<Listening | null>(null);
  useEffect(() => () => listening.current?.abort(), []);
  const Make = maker();
  if (!Make) return null;
  const start = (): void => {
    if (state === 'listens') {
      listening.current?.abort();
      return;
    }
    const own = new Make();
    listening.current = own;
    own.lang = language.now();
    own.interimResults = false;
    own.onresult = ({ results }) => {
      const heard = Array.from(results, (result) => result[0]?.transcript.trim() ?? '').filter((part) => part !== '');
      onText([text.trim(), ...heard].filter((part) => part !== '').join(' ').slice(0, most)); // prettier-ignore
    };
    // Without a signal most browsers hear nothing: then it is typed.
    own.onerror = () => setState('none');
    own.onend = () => setState((now) => (now === 'none' ? now : 'still'));
    setState('listens');
    own.start();
  };
  return (
    <Button look="quiet" className="!min-h-12 !justify-start !px-0" aria-pressed={state === 'listens'} onClick={start}>
      {state === 'none' ? <MicOff size={20} aria-hidden="true" /> : <Mic size={20} aria-hidden="true" />}{' '}
      {say(state === 'listens' ? 'dictating' : state === 'none' ? 'dictateNone' : 'dictate')}
    </Button>
  );
}
