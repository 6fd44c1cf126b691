import { type ComponentProps, useEffect } from 'react';
import type { ExternalToast, Toaster as Shown } from 'sonner';
import { lazily } from './lazily';

/** A word at the edge of the screen that what was done is done; loaded behind what is shown first. */
const load = () => import('sonner');

let stands = (): void => undefined;
const standing = new Promise<void>((resolve) => (stands = resolve));

/** Where words are shown. */
export const Toaster = lazily(async () => {
  const { Toaster: Bare } = await load();
  return {
    default: function Toaster(props: ComponentProps<typeof Shown>) {
      useEffect(() => stands(), []);
      return <Bare {...props} />;
    },
  };
});

type Say = (message: string, options?: ExternalToast) => void;
const say =
  (how: 'message' | 'success' | 'error'): Say =>
  (message, options) =>
    // What is said before there is a place for it waits for it.
    void Promise.all([load(), standing]).then(([{ toast }]) => toast[how](message, options));

export const toast: Say & { readonly success: Say; readonly error: Say } = Object.assign(say('message'), {
  success: say('success'),
  error: say('error'),
});
