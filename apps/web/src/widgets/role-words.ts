import type { Role } from '@fanega/contract';

/** From the least to the most. */
export const ROLES = ['viewer', 'operator', 'manager', 'owner'] as const satisfies readonly Role[];

/** What a member may, in one line; each may what those before may. */
export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  viewer: 'Looks: landlord, agent, bookkeeper',
  operator: 'Records: drives, weighs, dries, hauls',
  manager: 'Manages: prices, settles, sets up, invites',
  owner: 'Owns: all of it, and who else does',
};
export const ROLE_NAMES: Readonly<Record<Role, string>> = { viewer: 'viewer', operator: 'operator', manager: 'manager', owner: 'owner' }; // prettier-ignore
