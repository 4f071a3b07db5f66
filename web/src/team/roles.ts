import type { Role } from '../api/client';

export const ROLES: Role[] = ['VIEWER', 'EDITOR', 'OWNER'];

export const ROLE_NAMES: Record<Role, string> = {
  OWNER: 'owner',
  EDITOR: 'editor',
  VIEWER: 'viewer',
};

export const ROLE_MAY: Record<Role, string> = {
  OWNER: 'does everything, and says who may work here',
  EDITOR: 'does everything, but does not say who may work here',
  VIEWER: 'looks at everything and changes nothing',
};
