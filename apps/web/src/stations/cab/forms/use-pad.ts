import { useState } from 'react';
import type { Boxes } from '../../../ui/form/box';
import type { Fields } from '../../../ui/form/use-fields';
import { typed } from '../../../widgets/number-pad';

type Name<B extends Boxes> = Parameters<Fields<B>['set']>[0];

/** A pad that types into one box of a form at a time: the one that was touched last. */
export function usePad<B extends Boxes>(form: Fields<B>, first: Name<B>) {
  const [into, setInto] = useState(first);
  // What stands in a box is a guess: the first digit replaces it.
  const [fresh, setFresh] = useState(true);
  const set = (name: Name<B>, text: string): void => {
    form.set(name, text as never);
    setFresh(false);
  };
  return {
    into,
    onKey: (key: string): void => set(into, typed(String(form.texts[into]), key, fresh)),
    /** For a box that the pad fills: the phone's own keyboard would cover it. */
    box: (name: Name<B>) => {
      const { unit, maxLength, error } = form.box(name as never);
      return {
        ...(unit === undefined ? {} : { unit }),
        ...(maxLength === undefined ? {} : { maxLength }),
        error,
        inputMode: 'none' as const,
        value: String(form.texts[name]),
        onFocus: () => {
          setInto(() => name);
          setFresh(true);
        },
        onChange: (event: { readonly target: { readonly value: string } }) => set(name, event.target.value),
      };
    },
  };
}
