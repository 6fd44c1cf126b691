import type { ExternalToast } from 'sonner';
import { lazily } from './lazily';

/** A word at the edge of the screen that what was done is done; loaded behind what is shown first. */
const load = () => import('sonner');

export const Toaster = lazily(async () => ({ default: (await load()).Toaster }), true);

type Say = (message: string, options?: ExternalToast) => void;
const say =
  (how: 'message' | 'success' | 'error'): Say =>
  (message, options) =>
    void load().then(({ toast }) => toast[how](message, options));

export const toast: Say & { readonly success: Say; readonly error: Say } = Object.assign(say('message'), {
  success: say('success'),
  error: say('error'),
});
