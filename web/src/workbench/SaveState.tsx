import { useEffect } from 'react';
import { useLine } from '../api/line';
import { useWorkbench } from './store';

/** Whether the server has answered for every change; on its own, since it turns at every key. */
export function SaveState() {
  const saving = useWorkbench((s) => s.saving > 0);
  const away = useLine((s) => !s.server || !s.database);
  useEffect(() => {
    if (!saving) return;
    const askFirst = (leaving: BeforeUnloadEvent) => leaving.preventDefault();
    window.addEventListener('beforeunload', askFirst);
    return () => window.removeEventListener('beforeunload', askFirst);
  }, [saving]);
  return (
    <span className="w-[52px] text-right text-[12px] text-soft" role="status" data-testid="saved">
      {away ? 'Waiting' : saving ? 'Saving' : 'Saved'}
    </span>
  );
}
