import type { ReactNode } from 'react';

/** The page on which somebody comes in. */
export function EntryPage({ title, children }: { title: string; children: ReactNode }) {
  return (
    <main className="mx-auto grid min-h-full max-w-[340px] content-center gap-5 px-6 py-10">
      <div className="flex items-center gap-2 font-serif text-[17px] font-semibold">
        <img src="/assets/mark.svg" alt="" width="22" height="22" />
        Paring Knife
      </div>
      <h1 className="font-serif text-[24px] font-semibold">{title}</h1>
      {children}
    </main>
  );
}
