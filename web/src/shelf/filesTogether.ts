import type { MediaFile } from '../api/client';

const SENT = 'uploads/';

const stemOf = (file: string) => file.replace(/\.[^./]+$/, '');

/** The folder that a file shares with others of its episode; empty where it stands among all sorts. */
function folderOf(file: string): string {
  const end = file.lastIndexOf('/') + 1;
  return file.startsWith(SENT) ? '' : file.slice(0, end);
}

const neighbours = (file: string, files: readonly MediaFile[]) => {
  const folder = folderOf(file);
  return folder ? files.filter((f) => f.name !== file && folderOf(f.name) === folder) : [];
};

/** What an episode is called by its recording: by the folder where files of it lie together, else by the file. */
export function titleOf(recording: string, files: readonly MediaFile[]): string {
  const together = neighbours(recording, files).length > 0;
  const path = together ? folderOf(recording).slice(0, -1) : stemOf(recording);
  return path.split('/').pop()!.replace(/[_-]+/g, ' ');
}

/** The transcript of a recording: of its very name, or the only one that lies with it. */
export function transcriptOf(recording: string, files: readonly MediaFile[]): string | null {
  const named = files.find((f) => f.isTranscript && stemOf(f.name) === stemOf(recording));
  const beside = neighbours(recording, files).filter((f) => f.isTranscript);
  return named?.name ?? (beside.length === 1 ? beside[0].name : null);
}
