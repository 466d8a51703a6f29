/** Who works in a kitchen's app, and what each may do. */

/** Each may do what the one before may, and more: print; hand in; check and withdraw; release and keep accounts. */
export const ROLES = ['cook', 'editor', 'checker', 'manager'] as const;
export type Role = (typeof ROLES)[number];

export interface Person {
  id: string;
  login: string;
  name: string;
  role: Role;
  isActive: boolean;
}

export const mayActAs = (role: Role, needed: Role): boolean => ROLES.indexOf(role) >= ROLES.indexOf(needed);
