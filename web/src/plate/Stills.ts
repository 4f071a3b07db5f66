import { createContext } from 'react';
import { ALL_FORMATS, Input, UrlSource, VideoSampleSink } from 'mediabunny';
import type { Recorded } from './cameraColours';
import type { Drawable } from './player';

/** Single pictures of an episode, decoded one after the other out of its proxy. */
export class Stills {
  private readonly input: Input;
  private readonly sink: Promise<VideoSampleSink | null>;
  private queue: Promise<unknown> = Promise.resolve();

  constructor(
    url: string,
    readonly recorded: Recorded,
  ) {
    this.input = new Input({ source: new UrlSource(url), formats: ALL_FORMATS });
    // Closed before it was open, it has no pictures.
    this.sink = this.input
      .getPrimaryVideoTrack()
      .then((track) => track && new VideoSampleSink(track))
      .catch(() => null);
  }

  /**
   * Draws the picture of a time of the episode, as soon as it is its turn.
   *
   * @param wanted whether it is still wanted by then
   */
  draw(us: number, wanted: () => boolean, draw: (picture: Drawable) => void) {
    this.queue = this.queue
      .then(async () => {
        if (!wanted()) return;
        const sink = await this.sink;
        const sample = await sink?.getSample(us / 1e6);
        if (!sample) return;
        if (wanted()) draw(sample);
        sample.close();
      })
      .catch(() => undefined);
  }

  close() {
    void this.queue.then(() => this.sink).then(() => this.input.dispose());
  }
}

export const StillsContext = createContext<Stills | null>(null);
