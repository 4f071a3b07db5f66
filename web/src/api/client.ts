import { useSigningIn } from '../team/signingIn';
import type { components } from './schema';

type Schemas = components['schemas'];
export type ShelfItem = Schemas['ShelfItem'];
export type EpisodeCard = Schemas['EpisodeCard'];
export type TranscriptColumns = Schemas['TranscriptColumns'];
export type ClipState = Schemas['ClipState'];
export type ClipStep = Schemas['ClipStep'];
export type FaceInClip = Schemas['FaceInClip'];
export type TranscriptStep = Schemas['TranscriptStep'];
export type DoubtfulWord = Schemas['DoubtfulWord'];
export type Said = Schemas['Said'];
export type Brief = Schemas['BriefAsked'];
export type Mark = Schemas['Mark'];
export type Chapter = Schemas['Chapter'];
export type Piece = Schemas['Piece'];
export type Shelf = Schemas['Shelf'];
export type Cue = Schemas['ShownCue'];
export type CueFault = Cue['faults'][number];
export type CaptionEdit = Schemas['CaptionEdit'];
export type Style = Schemas['Style'];
export type Face = Schemas['Face'];
export type Breaking = Schemas['Breaking'];
export type Specimens = Schemas['Specimens'];
export type Sentence = Schemas['Sentence'];
export type TranslatedSentence = Schemas['TranslatedSentence'];
export type TranslationState = Schemas['TranslationState'];
export type KeyWord = Schemas['KeyWord'];
export type Logo = Schemas['Logo'];
export type HouseStanding = Schemas['HouseStanding'];
export type HouseStyleListed = Schemas['StyleListed'];
export type Specimen = Schemas['Specimen'];
export type Queue = Schemas['Queue'];
export type Tick = Schemas['Tick'];
export type WorkerShown = Schemas['WorkerShown'];
export type Posting = Schemas['Posting'];
export type Destination = Schemas['Destination'];
export type DestinationWanted = Schemas['DestinationWanted'];
export type FileToPost = Schemas['FileToPost'];
export type Session = Schemas['Session'];
export type Role = Session['role'];
export type Invited = Schemas['Invited'];
export type Team = Schemas['TeamShown'];
export type AccountShown = Schemas['AccountShown'];
export type Invitation = Schemas['Invitation'];
export type Present = Schemas['Present'];
export type StepTaken = Schemas['StepTaken'];
export type QueueLine = Schemas['QueueLine'];
export type Shape = Schemas['Shape'];
export type Preview = Schemas['Preview'];
export type Prospect = Schemas['Prospect'];
export type Way = Prospect['way'];
export type Pick = Schemas['Pick'];
export type Sheet = Schemas['Sheet'];
export type DeliveryFolder = Schemas['DeliveryFolder'];
export type Cover = Schemas['Cover'];
export type CoverChoice = Schemas['CoverChoice'];
export type FolderWanted = Schemas['FolderWanted'];
export type Cell = Schemas['Cell'];
export type ProofLink = Schemas['ProofLink'];
export type Remark = Schemas['Remark'];
export type Spec = Schemas['DeliverySpec'];
export type Lettering = Schemas['Lettering'];
export type MediaFile = Schemas['MediaFile'];
export type Span = Schemas['Span'];
export type Hit = Schemas['Hit'];
export type FaceTrack = Schemas['FaceTrack'];
export type PeopleCorrection = Schemas['PeopleCorrection'];

export type Removal = Schemas['Removal'];
export type Means = Removal['means'];
export type Cleanup = Schemas['Cleanup'];
export type FillerList = Schemas['FillerList'];
export type PiecesMade = Schemas['PiecesMade'];

/** What a producer wants done to a clip; the server's rules decide what comes of it. */
export type Intent = Schemas['Intent'];

/** What a producer wants corrected in a transcript; words by index, both ends included. */
export type CorrectionIntent = Schemas['TranscriptIntent'];

/** A refusal with a message for the user. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

export const SIGNED_OUT = 401;
const SIGNING_IN = /^\/(session|invitations)\b/;

/** What the server answers; a refusal is thrown with its word. */
async function answered(method: string, path: string, body?: unknown): Promise<Response> {
  const type = body instanceof Blob ? 'application/octet-stream' : 'application/json';
  const { signIns } = useSigningIn.getState();
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      keepalive: path === '/presence',
      headers: body === undefined ? {} : { 'Content-Type': type },
      body: body === undefined || body instanceof Blob ? body : JSON.stringify(body),
    });
  } catch {
    throw new Refusal(0, 'The server does not answer. What was saved is not lost.');
  }
  if (!response.ok) {
    // What was sent before somebody signed in anew says nothing of now; it is sent again.
    const isOfNow = useSigningIn.getState().signIns === signIns;
    if (response.status === SIGNED_OUT && isOfNow && !SIGNING_IN.test(path)) useSigningIn.setState({ asked: true });
    const text = await response.text();
    let message = 'Something went wrong on the server.';
    try {
      message = JSON.parse(text).message || message;
    } catch {
      // Not every refusal carries a message of ours.
    }
    throw new Refusal(response.status, message);
  }
  return response;
}

async function request<T>(method: string, path: string, body?: unknown): Promise<T> {
  const text = await (await answered(method, path, body)).text();
  return (text ? JSON.parse(text) : undefined) as T;
}

const get = <T>(path: string) => request<T>('GET', path);
const post = <T>(path: string, body: unknown = {}) => request<T>('POST', path, body);

const onShelf = (shelf: number | null) => (shelf === null ? '' : `?shelf=${shelf}`);

const HTTP_ACCEPTED = 202;

export const api = {
  session: () => get<Session>('/session'),
  signIn: (name: string, password: string) => post<void>('/session', { name, password }),
  signOut: () => request<void>('DELETE', '/session'),
  changePassword: (old: string, wanted: string) => request<void>('PUT', '/session/password', { old, wanted }),
  invited: (token: string) => get<Invited>(`/invitations/${token}`),
  followInvitation: (token: string, name: string, password: string) =>
    post<void>(`/invitations/${token}`, { name, password }),
  team: () => get<Team>('/team'),
  invite: (role: Role) => post<Schemas['InvitationLink']>('/team/invitations', { role }),
  takeBackInvitation: (id: number) => request<Team>('DELETE', `/team/invitations/${id}`),
  changeRole: (id: number, role: Role) => request<Team>('PUT', `/team/accounts/${id}`, { role }),
  removeAccount: (id: number) => request<Team>('DELETE', `/team/accounts/${id}`),
  signOutAccount: (id: number) => post<Team>(`/team/accounts/${id}/sign-out`),
  newPassword: (id: number) => post<Schemas['InvitationLink']>(`/team/accounts/${id}/new-password`),
  presence: () => get<Present[]>('/presence'),
  present: (shown: Schemas['WindowShown']) => post<void>('/presence', shown),
  steps: (clip: number) => get<StepTaken[]>(`/clips/${clip}/steps`),
  workers: () => get<WorkerShown[]>('/workers'),
  shelf: () => get<ShelfItem[]>('/shelf'),
  mediaFolder: () => get<MediaFile[]>('/media-folder'),
  addEpisode: (asked: Schemas['NewEpisode']) => post<Schemas['Shelved']>('/episodes', asked),
  tryAgain: (id: number) => post<ShelfItem>(`/episodes/${id}/ingest`),
  stopIngest: (id: number) => post<ShelfItem>(`/episodes/${id}/ingest/stop`),
  recogniser: () => get<Schemas['Description']>('/recogniser'),
  pasteText: (id: number, text: string) => post<void>(`/episodes/${id}/transcript-text`, { text }),
  listen: (id: number, work: 'RECOGNISE' | 'TIME' | 'VOICES') => post<void>(`/episodes/${id}/words`, { work }),
  misfits: (id: number) => get<Schemas['MisfitList']>(`/episodes/${id}/misfits`),
  openBundle: (file: string) => post<{ id: number }>('/bundles', { file }),
  finishUpload: (address: string) => post<MediaFile>('/uploads', { address }),
  shelves: () => get<Shelf[]>('/shelves'),
  addShelf: (name: string, parentId: number | null) => post<number>('/shelves', { name, parentId }),
  changeShelf: (id: number, name: string, parentId: number | null) =>
    request<void>('PUT', `/shelves/${id}`, { name, parentId }),
  removeShelf: (id: number) => request<void>('DELETE', `/shelves/${id}`),
  describeEpisode: (id: number, asked: Schemas['EpisodeDescription']) => request<void>('PUT', `/episodes/${id}`, asked),
  binEpisode: (id: number) => request<void>('DELETE', `/episodes/${id}`),
  returnEpisode: (id: number) => post<void>(`/episodes/${id}/return`),
  storage: () => get<Schemas['Storage']>('/storage'),
  sounds: (id: number) => get<Schemas['SoundsOfEpisode']>(`/episodes/${id}/sounds`),
  chooseSounds: (id: number, chosen: Schemas['SoundsChosen']) => request<void>('PUT', `/episodes/${id}/sounds`, chosen),
  episode: (id: number) => get<EpisodeCard>(`/episodes/${id}`),
  transcript: (id: number) => get<TranscriptColumns>(`/episodes/${id}/transcript`),
  levels: async (id: number, madeAt: number) =>
    new Uint8Array(await (await fetch(`/api/episodes/${id}/levels?made=${madeAt}`)).arrayBuffer()),
  /** What people are in a stretch of an episode's pictures, unpacked. */
  mattes: async (episode: { id: number; madeAt: number }, number: number): Promise<ArrayBuffer | 'being made'> => {
    const answer = await answered('GET', `/episodes/${episode.id}/mattes/${number}?made=${episode.madeAt}`);
    if (answer.status === HTTP_ACCEPTED || !answer.body) return 'being made';
    return new Response(answer.body.pipeThrough(new DecompressionStream('gzip'))).arrayBuffer();
  },
  correct: (id: number, revision: number, intent: CorrectionIntent) =>
    post<TranscriptStep>(`/episodes/${id}/transcript/changes`, { revision, intent }),
  undoCorrection: (id: number, revision: number) =>
    post<TranscriptStep>(`/episodes/${id}/transcript/undo`, { revision }),
  redoCorrection: (id: number, revision: number) =>
    post<TranscriptStep>(`/episodes/${id}/transcript/redo`, { revision }),
  doubtful: (id: number) => get<DoubtfulWord[]>(`/episodes/${id}/doubtful`),
  glossary: (id: number) => get<Schemas['Entry'][]>(`/episodes/${id}/glossary`),
  acceptSpelling: (id: number, heard: string, written: string) =>
    post<void>(`/episodes/${id}/glossary`, { heard, written }),
  removeSpelling: (id: number, heard: string, written: string) =>
    post<void>(`/episodes/${id}/glossary/remove`, { heard, written }),
  said: (phrase: string) => get<Said[]>(`/said?phrase=${encodeURIComponent(phrase)}`),
  search: (id: number, phrase: string) => get<Hit[]>(`/episodes/${id}/search?phrase=${encodeURIComponent(phrase)}`),
  brief: (id: number) => get<Brief>(`/episodes/${id}/brief`),
  readBrief: (id: number, sentence: string, otherwise: Brief) =>
    post<Schemas['BriefRead']>(`/episodes/${id}/brief-sentence`, { sentence, otherwise }),
  highlights: (id: number, brief: Brief) => post<Pick[]>(`/episodes/${id}/highlights`, brief),
  pickLimits: (id: number) => get<string[]>(`/episodes/${id}/pick-limits`),
  makeOfGathered: (title: string, pieces: { episodeId: number; firstWord: number; lastWord: number }[]) =>
    post<Schemas['MadeClip']>('/gathered-clips', { title, pieces }),
  picks: (id: number, brief: Brief) => post<Pick[]>(`/episodes/${id}/picks`, brief),
  marks: (id: number) => get<Mark[]>(`/episodes/${id}/marks`),
  addMark: (id: number, mark: Schemas['NewMark']) => post<number>(`/episodes/${id}/marks`, mark),
  changeMark: (id: number, mark: Mark) => request<void>('PUT', `/episodes/${id}/marks`, mark),
  removeMarks: (id: number, ids: number[]) => post<void>(`/episodes/${id}/marks/remove`, { ids }),
  importMarks: (id: number, name: string, text: string) =>
    post<Schemas['PicksRead']>(`/episodes/${id}/marks/import`, { name, text }),
  pieces: (id: number, scripts: string, breakSeconds: number) =>
    post<Piece[]>(`/episodes/${id}/pieces`, { scripts, breakSeconds }),
  chapters: (id: number) => get<Schemas['ChapterList']>(`/episodes/${id}/chapters`),
  settleChapters: (id: number, chapters: Chapter[]) =>
    request<Schemas['ChapterList']>('PUT', `/episodes/${id}/chapters`, chapters),
  clips: (id: number) => get<ClipState[]>(`/episodes/${id}/clips`),
  createClip: (id: number, firstWord: number, lastWord: number, title = '') =>
    post<ClipState>(`/episodes/${id}/clips`, { firstWord, lastWord, title }),
  captionsOnly: (id: number) => post<ClipState>(`/episodes/${id}/captioned`),
  change: (id: number, revision: number, intent: Intent) =>
    post<ClipStep>(`/clips/${id}/changes`, { revision, intent }),
  undo: (id: number, revision: number) => post<ClipStep>(`/clips/${id}/undo`, { revision }),
  redo: (id: number, revision: number) => post<ClipStep>(`/clips/${id}/redo`, { revision }),
  clip: (id: number) => get<ClipState>(`/clips/${id}`),
  binClip: (id: number) => request<void>('DELETE', `/clips/${id}`),
  takeFromBin: (id: number) => post<ClipState>(`/clips/${id}/return`),
  prospects: (id: number, s: PauseChoice) =>
    get<Prospect[]>(
      `/clips/${id}/prospects?thresholdDb=${s.thresholdDb}&shortest=${s.shortest}&head=${s.head}&tail=${s.tail}`,
    ),
  /** Of one camera alone, or of all that is seen. */
  evenedLook: (id: number, camera: number | null) =>
    get<ClipState['framed']['look']>(`/clips/${id}/look${camera === null ? '' : `?camera=${camera}`}`),
  repeats: (id: number) => get<Schemas['RepeatFound'][]>(`/clips/${id}/repeats`),
  fillers: (id: number) => get<Schemas['FillerFound'][]>(`/clips/${id}/fillers`),
  fit: (id: number, targetUs: number, declined: string[]) =>
    get<Schemas['FitPlan']>(`/clips/${id}/fit?targetUs=${Math.round(targetUs)}&declined=${declined.join(',')}`),
  fillerList: (id: number) => get<FillerList>(`/clips/${id}/filler-list`),
  changeFillerList: (id: number, list: FillerList) => request<FillerList>('PUT', `/clips/${id}/filler-list`, list),
  loudness: (id: number) => get<Schemas['ClipLoudness']>(`/clips/${id}/loudness`),
  part: (id: number, revision: number, word: number) =>
    post<Schemas['PartedClip']>(`/clips/${id}/part`, { revision, word }),
  join: (id: number, revision: number, other: number) => post<ClipStep>(`/clips/${id}/join`, { revision, other }),
  keptPieces: (id: number) => get<PiecesMade[]>(`/clips/${id}/pieces`),
  writePieces: (id: number, each: boolean, handles: number) =>
    post<PiecesMade[]>(`/clips/${id}/pieces`, { each, handles }),
  versions: (id: number) => get<Schemas['Version'][]>(`/clips/${id}/versions`),
  keepVersion: (id: number, name: string) => post<Schemas['Version'][]>(`/clips/${id}/versions`, { name }),
  compareVersion: (id: number, version: number, other: number | null) =>
    get<Schemas['Comparison']>(`/clips/${id}/versions/${version}/comparison${other === null ? '' : `?with=${other}`}`),
  returnToVersion: (id: number, version: number, revision: number) =>
    post<ClipStep>(`/clips/${id}/versions/${version}/return`, { revision }),
  duplicate: (id: number) => post<ClipState>(`/clips/${id}/duplicate`),
  preview: (id: number) => get<Preview>(`/clips/${id}/preview`),
  cues: (id: number) => get<Cue[]>(`/clips/${id}/cues`),
  facesInClip: (id: number) => get<FaceInClip[]>(`/clips/${id}/faces`),
  faces: (id: number, fromUs: number, toUs: number) =>
    get<FaceTrack[]>(`/episodes/${id}/faces?fromUs=${fromUs}&toUs=${toUs}`),
  putPeopleRight: (id: number, correction: PeopleCorrection) => post<void>(`/episodes/${id}/people`, { correction }),
  takeBackPeople: (id: number) => request<void>('DELETE', `/episodes/${id}/people/last`),
  /** Where the script of the captions lies; the revisions tell one state from the next. */
  captionScript: (id: number, revision: number, words: number, language: string | null) =>
    `/api/clips/${id}/captions.ass?clip=${revision}&words=${words}${language ? `&language=${language}` : ''}`,
  translation: (id: number, language: string) => get<TranslationState>(`/clips/${id}/translations/${language}`),
  proposeTranslation: (id: number, language: string) =>
    post<TranslatedSentence[]>(`/clips/${id}/translations/${language}/proposals`),
  readTranslation: (id: number, language: string, name: string, text: string) =>
    post<Schemas['ReadTranslation']>(`/clips/${id}/translations/${language}/readings`, { name, text }),
  captionStanding: (id: number) => get<Schemas['CaptionStanding']>(`/clips/${id}/caption-standing`),
  keyWords: (id: number) => get<KeyWord[]>(`/clips/${id}/key-words`),
  house: (id: number) => get<HouseStanding>(`/clips/${id}/house`),
  keepHouse: (id: number, name: string) => request<HouseStanding>('PUT', `/clips/${id}/house`, { name }),
  giveHouse: (id: number, name: string) => request<HouseStanding>('PUT', `/clips/${id}/house/style`, { name }),
  houseStyles: () => get<HouseStyleListed[]>('/house-styles'),
  renameHouseStyle: (name: string, other: string) => post<HouseStyleListed[]>('/house-styles/renamed', { name, other }),
  copyHouseStyle: (name: string, other: string) => post<HouseStyleListed[]>('/house-styles/copied', { name, other }),
  removeHouseStyle: (name: string) =>
    request<HouseStyleListed[]>('DELETE', `/house-styles?name=${encodeURIComponent(name)}`),
  takeHouse: (id: number) => post<HouseStanding>(`/clips/${id}/house/taken`),
  takeHouseFile: (id: number, text: string) => post<HouseStanding>(`/clips/${id}/house/file`, { text }),
  spreadHouse: (id: number, reach: 'EPISODE' | 'SHOW') =>
    post<HouseStanding>(`/clips/${id}/house/spread?reach=${reach}`),
  specs: () => get<Spec[]>('/specs'),
  addSpec: (spec: Spec) => post<Spec>('/specs', spec),
  changeSpec: (spec: Spec) => request<Spec>('PUT', `/specs/${spec.id}`, spec),
  removeSpec: (id: string) => request<void>('DELETE', `/specs/${id}`),
  takeSpecFile: (file: unknown) => post<Spec[]>('/specs/file', file),
  names: (id: number) => get<Schemas['NamesMade']>(`/episodes/${id}/names`),
  nameExamples: (id: number, pattern: string) =>
    post<Schemas['NamesMade']>(`/episodes/${id}/names/examples`, { pattern }),
  keepNames: (id: number, pattern: string) =>
    request<Schemas['NamesMade']>('PUT', `/episodes/${id}/names`, { pattern }),
  post: (id: number, spec: string) => get<Schemas['PostOfClip']>(`/clips/${id}/post?spec=${encodeURIComponent(spec)}`),
  letterings: () => get<Specimens>('/letterings'),
  addFont: (file: Blob) => post<Specimens['typefaces'][number]>('/fonts', file),
  addBackdrop: (file: Blob) => post<Schemas['PictureKept']>('/backdrops', file),
  addLogo: (file: Blob) => post<Schemas['PictureKept']>('/logos', file),
  postPattern: (id: number) => get<Schemas['TextPatternKept']>(`/episodes/${id}/post-pattern`),
  keepPostPattern: (id: number, pattern: string) =>
    request<Schemas['TextPatternKept']>('PUT', `/episodes/${id}/post-pattern`, { pattern }),
  removeFont: (file: string) => request<void>('DELETE', `/fonts/${encodeURIComponent(file)}`),
  specimen: (id: number, lettering: string) => get<Specimen>(`/clips/${id}/specimens/${lettering}`),
  /**
   * The script of the captions in a style that is only being tried.
   *
   * @param seen the revisions that are looked at, and the moment: captions far from it are left out
   */
  triedScript: async (id: number, style: Style, seen: { clip: number; words: number; atUs: number }) => {
    const asked = `?clip=${seen.clip}&words=${seen.words}&at=${Math.round(seen.atUs)}`;
    const answer = await fetch(`/api/clips/${id}/tried.ass${asked}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ style }),
    });
    return answer.ok ? answer.text() : null;
  },
  proofs: (id: number) => get<Schemas['ProofsOfEpisode']>(`/episodes/${id}/proofs`),
  addProof: (id: number, asked: Schemas['LinkAsked']) => post<ProofLink>(`/episodes/${id}/proofs`, asked),
  withdrawProof: (link: number) => post<void>(`/proofs/${link}/withdrawal`),
  showProofNow: (link: number) => post<void>(`/proofs/${link}/showing`),
  remarks: (clip: number) => get<Remark[]>(`/clips/${clip}/remarks`),
  answerRemark: (remark: number, text: string) => post<Remark[]>(`/remarks/${remark}/answers`, { text }),
  remarkDone: (remark: number, done: boolean) => post<Remark[]>(`/remarks/${remark}/done`, { done }),
  sheet: (id: number) => get<Sheet>(`/episodes/${id}/sheet`),
  askForCells: (cells: Tick[], asked: boolean) => request<void>('PUT', '/asked', { cells, asked }),
  /** The sheet of a shelf; of all that there is for null. */
  shelfSheet: (shelf: number | null) => get<Sheet>(`/sheet${onShelf(shelf)}`),
  covers: (clip: number, spec: string) => get<CoverChoice>(`/clips/${clip}/covers?spec=${encodeURIComponent(spec)}`),
  /** The cover as it goes out. */
  coverPicture: (clip: number, spec: string, revision: number) =>
    `/api/clips/${clip}/cover.jpg?spec=${encodeURIComponent(spec)}&revision=${revision}`,
  /** What the cover would be at another moment. */
  coverAt: (clip: number, spec: string, revision: number, us: number) =>
    `/api/clips/${clip}/cover.jpg?spec=${encodeURIComponent(spec)}&revision=${revision}&us=${us}`,
  deliveryFolder: (id: number) => get<DeliveryFolder>(`/episodes/${id}/delivery-folder`),
  writeDeliveryFolder: (id: number, wanted: FolderWanted) =>
    post<DeliveryFolder>(`/episodes/${id}/delivery-folder`, wanted),
  renderAll: (id: number) => post<number>(`/episodes/${id}/renderings`),
  renderShelf: (shelf: number | null) => post<number>(`/renderings${onShelf(shelf)}`),
  cancel: (rendering: number) => post<void>(`/renderings/${rendering}/cancel`),
  queue: () => get<Queue>('/queue'),
  pauseQueue: (paused: boolean) => post<Queue>('/queue/pause', { paused }),
  moveInQueue: (rendering: number, before: number) => post<Queue>('/queue/move', { rendering, before }),
  outbox: (from: string, to: string) =>
    get<Posting[]>(`/outbox?from=${encodeURIComponent(from)}&to=${encodeURIComponent(to)}`),
  schedulePosts: (asked: Schemas['Scheduling']) => post<void>('/outbox', asked),
  putOff: (id: number, when: Schemas['When']) => request<void>('PUT', `/outbox/${id}/time`, when),
  withdrawPosting: (id: number) => request<void>('DELETE', `/outbox/${id}`),
  destinations: () => get<Destination[]>('/outbox/destinations'),
  addDestination: (wanted: DestinationWanted) => post<Destination>('/outbox/destinations', wanted),
  changeDestination: (id: number, wanted: DestinationWanted) =>
    request<Destination>('PUT', `/outbox/destinations/${id}`, wanted),
  removeDestination: (id: number) => request<void>('DELETE', `/outbox/destinations/${id}`),
  renderOnceMore: (rendering: number) => post<Queue>('/queue/again', { rendering }),
};

export interface PauseChoice {
  thresholdDb: number;
  shortest: number;
  head: number;
  tail: number;
}
