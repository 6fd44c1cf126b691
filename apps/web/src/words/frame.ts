/** What the frame of every page says: it is there before any page is. The rest of the words comes with what speaks them. */
export const EN_FRAME = {
  entriesWait: 'Entries that wait',
  oneWaits: '1 entry waits since {time}',
  manyWait: '{n} entries wait since {time}',
  refusedLook: '; {n} refused: look',
  nMinutes: '{n} minutes',
  nHours: '{n} hours',
  nDays: '{n} days',
  clockBehind: 'This device’s clock is {span} behind the farm’s. What you record gets the farm’s time.',
  clockAhead: 'This device’s clock is {span} ahead of the farm’s. What you record gets the farm’s time.',
  newerReady: 'A newer Fanega is ready. What waits stays.',
  newerTab: 'A newer Fanega runs in another tab.',
  takeIt: 'Take it',
} as const;

let words: Readonly<Record<keyof typeof EN_FRAME, string>> = EN_FRAME;

/** The frame speaks as the page does. */
export function speak(found: typeof words): void {
  words = found;
}

/** A sentence with what is put into it. */
export const filled = (sentence: string, put: Readonly<Record<string, string | number>>): string =>
  sentence.replace(/\{(\w+)\}/g, (whole, name: string) => (name in put ? String(put[name]) : whole));

/** What the frame says, with what is put into it. */
export const sayInFrame = (key: keyof typeof EN_FRAME, put: Readonly<Record<string, string | number>> = {}): string =>
  filled(words[key], put);
