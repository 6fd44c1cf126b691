import { type ComponentProps, type ReactNode, useState } from 'react';
import { type Farm, useRefreshFarm } from '../data/farm';
import { SelectBox } from '../ui';
import { Drawer } from '../ui/drawer';
import type { Box } from '../ui/form/box';
import { Form, type Sendable } from '../ui/form/form';
import { ShownOnce } from './shown-once';

/**
 * What an answer tells once: a link's secret, a token.
 * @returns what was told, and what a form's `save` hands it to (null where the answer waits): the form stays open until it was read
 */
export function useToldOnce(farm: Farm): readonly [string | null, (told: string | null) => Promise<boolean>] {
  const refresh = useRefreshFarm(farm.id);
  const [told, setTold] = useState<string | null>(null);
  const tell = async (text: string | null): Promise<boolean> => {
    setTold(text);
    await refresh();
    return text === null;
  };
  return [told, tell];
}

/** A drawer with a form; what its answer tells once stands in the form's place. */
export function OnceDrawer({
  title,
  form,
  button,
  told,
  children,
}: {
  title: string;
  form: Sendable & { readonly close: () => void };
  button: string;
  told: ComponentProps<typeof ShownOnce> | null;
  children: ReactNode;
}) {
  return (
    <Drawer open title={title} onClose={form.close}>
      {told === null ? (
        <Form form={form} button={button}>
          {children}
        </Form>
      ) : (
        <div className="px-5 py-4">
          <ShownOnce {...told} />
        </div>
      )}
    </Drawer>
  );
}

/** The link of a secret, as it is shown once. @param door the first word of its address */
export const linkTold = (
  secret: string | null,
  door: string,
  label = 'The link, shown this once:',
): ComponentProps<typeof ShownOnce> | null =>
  secret === null ? null : { label, text: `${window.location.origin}/${door}/${secret}`, code: true };

/** So many days, chosen among a few. */
export const daysBox: Box<number> = { read: (typed) => ({ value: Number(typed) }) };

/** How long something opens, by its days in words. */
export function DaysBox({
  days,
  ...props
}: ComponentProps<typeof SelectBox> & { days: Readonly<Record<string, string>> }) {
  return (
    <SelectBox {...props}>
      {Object.entries(days).map(([value, words]) => (
        <option key={value} value={value}>
          {words}
        </option>
      ))}
    </SelectBox>
  );
}
