import type { ReactNode } from 'react';
import { Drawer } from './drawer';
import { Form, type Sendable } from './form/form';

/** A form on a sheet. */
export function FormDrawer({
  title,
  button,
  form,
  children,
  after,
}: {
  title: string;
  button: string;
  form: Sendable & { readonly close: () => void };
  children: ReactNode;
  /** Stands under the button. */
  after?: ReactNode;
}) {
  return (
    <Drawer open title={title} onClose={form.close}>
      <Form form={form} button={button} after={after}>
        {children}
      </Form>
    </Drawer>
  );
}
