import type { ComponentProps } from 'react';
import { TextBox } from '..';
import { LEAST_SECRET } from './secret';

/** A password that somebody chooses. */
export const NewPasswordBox = (props: ComponentProps<typeof TextBox>) => (
  <TextBox type="password" autoComplete="new-password" hint={`${LEAST_SECRET} characters or more`} {...props} />
);
