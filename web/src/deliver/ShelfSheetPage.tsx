import { useQuery } from '@tanstack/react-query';
import { useNavigate, useSearchParams } from 'react-router';
import { api } from '../api/client';
import { BatchNote } from '../queue/BatchNote';
import { ViewerNote } from '../team/ViewerNote';
import { AwayNote } from '../ui/AwayNote';
import { PageHead } from '../ui/PageHead';
import { Message } from '../workbench/Notes';
import { DeliverySheet } from './DeliverySheet';

/** The delivery sheet of all episodes on a shelf, or of all that there are. */
export function ShelfSheetPage() {
  const [asked] = useSearchParams();
  const goTo = useNavigate();
  const shelf = asked.has('shelf') ? Number(asked.get('shelf')) : null;
  const shelves = useQuery({ queryKey: ['shelves'], queryFn: api.shelves }).data;
  return (
    <div className="flex h-full flex-col">
      <PageHead>
        <span className="text-soft">/</span>
        <b>{shelf === null ? 'All episodes' : (shelves?.find((s) => s.id === shelf)?.name ?? '')}</b>
      </PageHead>
      <AwayNote />
      <ViewerNote />
      <BatchNote />
      <Message />
      <div className="flex min-h-0 flex-1">
        <DeliverySheet
          of={{ shelf }}
          onOpen={({ episodeId, clipId }, stage) => void goTo(`/episodes/${episodeId}/${stage}?clip=${clipId}`)}
        />
      </div>
    </div>
  );
}
