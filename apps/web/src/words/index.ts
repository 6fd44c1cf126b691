import { useEffect, useState } from 'react';
import { choice } from '../quantity/choice';
import { EN, type WordKey } from './en';
import { filled, speak } from './frame';

/** In which language the cab, its alarms and its cautions speak; each person chooses on his own device. */
export const LANGUAGES = ['en', 'es'] as const;
export type Language = (typeof LANGUAGES)[number];
export const language = choice('fanega.language', LANGUAGES, 'en');

let words: Readonly<Record<WordKey, string>> = EN;
let loaded: Language = 'en';

/** Brings the words of the chosen language; the other file is fetched only where somebody wants it, and kept for no signal. */
async function bring(wanted: Language): Promise<void> {
  words = wanted === 'es' ? (await import('./es')).ES : EN;
  speak(words);
  loaded = wanted;
}

/** Words as a sentence begins with them. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** What is said, with what is put into it. */
export function say(key: WordKey, put: Readonly<Record<string, string | number>> = {}): string {
  return filled(words[key], put);
}

/** The language that is spoken now, once its words are here; a page that uses it is drawn again when it changes. */
export function useLanguage(): Language {
  language.use();
  const wanted = language.now();
  const [now, setNow] = useState(loaded);
  useEffect(() => {
    let gone = false;
    void bring(wanted).then(() => {
      if (!gone) setNow(wanted);
    });
    return () => {
      gone = true;
    };
  }, [wanted]);
  return now;
}
