import { choice } from '../quantity/choice';
import { language } from '../words';

/** Whether this device says alarms aloud; off until somebody wants it. */
export const aloud = choice('fanega.aloud', ['no', 'yes'] as const, 'no');

/** Whether the browser has a voice at all. */
export const canSpeak = (): boolean => typeof window !== 'undefined' && 'speechSynthesis' in window;

/** Says it by the browser's own voice, where the device wants it; a new sentence waits for the one before. */
export function speak(words: string): void {
  if (words === '' || aloud.now() !== 'yes' || !canSpeak()) return;
  const said = new SpeechSynthesisUtterance(words);
  said.lang = language.now();
  window.speechSynthesis.speak(said);
}
