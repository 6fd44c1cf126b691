import { Choices } from '../ui';
import { language } from '../words';

/** Each language in its own words. */
const NAMES = [
  { value: 'en', label: 'English' },
  { value: 'es', label: 'Español' },
] as const;

/** Every person chooses his language on his own device. */
export const LanguageChoice = () => (
  <Choices label="Language, idioma" hidden value={language.now()} onChange={language.setReaders} choices={NAMES} />
);
