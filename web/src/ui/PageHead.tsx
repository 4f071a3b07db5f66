import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { AccountMenu } from '../team/AccountMenu';

/** The head of a page that is no episode's: the way to the shelf, and what stands beside it. */
export function PageHead({ children }: { children?: ReactNode }) {
  return (
    <header className="flex h-[52px] shrink-0 items-center gap-3 border-b border-rule px-6">
      <Link to="/" className="flex items-center gap-2 font-serif text-[17px] font-semibold">
        <img src="/assets/mark.svg" alt="" width="22" height="22" />
        Paring Knife
      </Link>
      {children}
      <div className="ml-auto" />
      <AccountMenu />
    </header>
  );
}
