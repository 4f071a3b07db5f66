import { useRouteError } from 'react-router';

/** What shows when a page cannot be drawn. */
export function Broken() {
  const error = useRouteError();
  return (
    <main className="grid h-full place-items-center px-6" role="alert">
      <div className="max-w-[460px]">
        <h1 className="font-serif text-[22px] font-semibold">This page could not be shown</h1>
        <p className="mt-2">What was saved is not lost. Loading the page again usually helps.</p>
        <p className="mt-2 text-soft">{error instanceof Error ? error.message : String(error)}</p>
        <div className="mt-4 flex gap-2">
          <button className="button button-strong" onClick={() => location.reload()}>
            Load it again
          </button>
          <a className="button" href="/">
            To the shelf
          </a>
        </div>
      </div>
    </main>
  );
}
