import { Popover } from 'radix-ui';
import { PackageOpen } from 'lucide-react';
import type { ShelfItem } from '../api/client';

/** The episode with all that was made of it, as one file that another installation opens. */
export function TakeAlong({ item }: { item: ShelfItem }) {
  const address = `/api/episodes/${item.id}/bundle`;
  return (
    <Popover.Root>
      <Popover.Trigger aria-label={`Take ${item.title} along`}>
        <PackageOpen size={15} />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="panel grid w-[320px] gap-2.5 text-ink" align="end" sideOffset={6}>
          <p className="text-soft">
            Transcript, marks, clips and their versions, with the specs, fonts and logos they need, as one file. Another
            Paring Knife opens it under “Add an episode”.
          </p>
          <a className="button button-strong text-center" href={`${address}?recordings=true`}>
            With its recordings
          </a>
          <a className="button text-center" href={address}>
            Without, where they are there already
          </a>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
