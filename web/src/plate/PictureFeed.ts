import type { VideoSample, VideoSampleSink } from 'mediabunny';
import { episodeFrameAt, type Programme } from './programme';

const QUEUE = 12;
const FULL_QUEUE_MS = 8;

/** A decoded picture and the frame of the programme that it is. */
export interface Frame {
  frame: number;
  sample: VideoSample;
}

/** The pictures of a programme, decoded a little ahead of when they are due. */
export class PictureFeed {
  private frames: Frame[] = [];

  push(frame: Frame) {
    this.frames.push(frame);
  }

  clear() {
    for (const f of this.frames) f.sample.close();
    this.frames = [];
  }

  /** The last picture that is due by a frame, for whoever asks to close; null where none has become due. */
  takeDue(due: number): Frame | null {
    let shown: Frame | null = null;
    while (this.frames.length && this.frames[0].frame <= due) {
      shown?.sample.close();
      shown = this.frames.shift()!;
    }
    return shown;
  }

  /** Keeps the queue full for as long as it is wanted. */
  async fill(pictures: AsyncGenerator<Frame>, isWanted: () => boolean) {
    for await (const picture of pictures) {
      while (isWanted() && this.frames.length >= QUEUE) await sleep(FULL_QUEUE_MS);
      if (!isWanted()) {
        picture.sample.close();
        await pictures.return(undefined);
        return;
      }
      this.frames.push(picture);
    }
  }
}

/** The pictures of a programme from one of its frames on. */
export async function* picturesFrom(
  source: VideoSampleSink,
  programme: Programme,
  fromFrame: number,
): AsyncGenerator<Frame> {
  const period = 1 / programme.rate;
  for (const run of programme.runs) {
    const skip = Math.max(0, fromFrame - run.clipFrame);
    if (skip >= run.count) continue;
    if (run.held) {
      const sample = await source.getSample((run.episodeFrame + 0.5) * period);
      if (sample) yield { frame: run.clipFrame + skip, sample };
      continue;
    }
    const first = run.episodeFrame + skip;
    const end = run.episodeFrame + run.count;
    for await (const sample of source.samples((first + 0.25) * period, (end - 0.25) * period)) {
      const episodeFrame = Math.round(sample.timestamp * programme.rate);
      if (episodeFrame < first || episodeFrame >= end) {
        sample.close();
        continue;
      }
      yield { frame: run.clipFrame + episodeFrame - run.episodeFrame, sample };
    }
  }
}

/** One picture of a programme. */
export function pictureAt(source: VideoSampleSink, programme: Programme, frame: number): Promise<VideoSample | null> {
  return source.getSample((episodeFrameAt(programme, frame) + 0.5) / programme.rate);
}

export const sleep = (ms: number) => new Promise((r) => setTimeout(r, ms));
