import type { Draw, Drawable, Player } from './player';
import { toEpisode, toProgramme, type Programme } from './programme';

/**
 * For browsers that cannot decode single pictures: plays the proxy in a hidden video element and
 * leaps over what was cut. Each leap is heard as a short gap; pictures and captions still agree. Where
 * room tone stands in the clip it is silent here, and the voice is heard as it was recorded.
 */
export class PlainPlayer implements Player {
  private readonly video = document.createElement('video');
  private programme: Programme | null = null;
  private positionUs = 0;
  private span = 0;
  private leaping = false;
  /** When a gap that was put in began to be waited for, ms; null while none is. */
  private waiting: number | null = null;
  private range: { fromUs: number; toUs: number; loop: boolean } | null = null;
  playing = false;

  constructor(
    url: string,
    private readonly draw: Draw,
    private readonly moved: (us: number) => void,
    private readonly stopped: () => void,
  ) {
    this.video.src = url;
    this.video.preload = 'auto';
    this.video.playsInline = true;
    this.video.addEventListener('seeked', () => {
      this.leaping = false;
      this.show();
    });
    this.video.addEventListener('loadeddata', () => this.show());
  }

  get position() {
    return this.positionUs;
  }

  /** The moment of the recording that is shown. */
  get episodeUs() {
    return this.video.currentTime * 1e6;
  }

  get rate() {
    return this.video.playbackRate;
  }

  async setRate(rate: number) {
    this.video.playbackRate = rate;
  }

  async setProgramme(programme: Programme, atUs: number) {
    this.programme = programme;
    await this.seek(atUs);
  }

  async seek(us: number) {
    if (this.waiting !== null && this.playing) this.video.play().catch(() => undefined);
    this.waiting = null;
    const p = this.programme;
    if (!p) return;
    this.positionUs = Math.max(0, Math.min(p.lengthUs, us));
    const episodeUs = toEpisode(p, this.positionUs);
    this.span = Math.max(
      0,
      p.spans.findIndex((s) => episodeUs >= s.startUs && episodeUs <= s.endUs),
    );
    this.leaping = true;
    this.video.currentTime = episodeUs / 1e6;
    this.moved(this.positionUs);
  }

  async playRange(fromUs: number, toUs: number, loop: boolean) {
    await this.seek(fromUs);
    this.range = { fromUs, toUs, loop };
    if (!this.playing) await this.play();
  }

  async play() {
    const p = this.programme;
    if (!p || p.lengthUs === 0) return;
    if (this.positionUs >= p.lengthUs - 20_000) await this.seek(0);
    this.playing = true;
    await this.video.play();
    this.tick();
  }

  pause() {
    this.range = null;
    this.waiting = null;
    this.playing = false;
    this.video.pause();
    this.stopped();
  }

  private tick() {
    const p = this.programme;
    if (!this.playing || !p) return;
    const span = p.spans[this.span];
    const episodeUs = this.video.currentTime * 1e6;
    this.video.muted = p.silenced.some((s) => episodeUs >= s.startUs && episodeUs < s.endUs);
    if (span && !this.leaping && episodeUs >= span.endUs && this.waitsIn(p, span)) {
      this.moved(this.positionUs);
      requestAnimationFrame(() => this.tick());
      return;
    }
    if (!this.leaping && span && episodeUs >= span.endUs) {
      this.span++;
      if (this.span >= p.spans.length) {
        this.positionUs = p.lengthUs;
        this.moved(this.positionUs);
        this.pause();
        return;
      }
      this.leaping = true;
      this.video.currentTime = p.spans[this.span].startUs / 1e6;
    } else if (!this.leaping) {
      this.positionUs = toProgramme(p, episodeUs);
      this.show();
      this.moved(this.positionUs);
      if (this.range && this.positionUs >= this.range.toUs) {
        if (!this.range.loop) {
          this.pause();
          return;
        }
        void this.seek(this.range.fromUs);
      }
    }
    requestAnimationFrame(() => this.tick());
  }

  /** Whether the gap after the present span is not over yet; the picture is held meanwhile. */
  private waitsIn(p: Programme, span: Programme['spans'][number]): boolean {
    const ends = p.playsAt[this.span] + span.endUs - span.startUs;
    const room = (p.playsAt[this.span + 1] ?? p.lengthUs) - ends;
    if (room <= 0) return false;
    if (this.waiting === null) {
      this.waiting = performance.now();
      this.video.pause();
    }
    const passed = (performance.now() - this.waiting) * 1e3 * this.video.playbackRate;
    this.positionUs = ends + Math.min(room, passed);
    if (passed < room) return true;
    this.waiting = null;
    if (this.span + 1 < p.spans.length) this.video.play().catch(() => undefined);
    return false;
  }

  private show() {
    const p = this.programme;
    if (!p || this.video.readyState < HTMLMediaElement.HAVE_CURRENT_DATA) return;
    this.draw(drawable(this.video), Math.floor((this.positionUs / 1e6) * p.rate + 1e-6));
  }

  redraw() {
    this.show();
  }

  destroy() {
    this.playing = false;
    this.video.pause();
    this.video.removeAttribute('src');
    this.video.load();
  }
}

function drawable(video: HTMLVideoElement): Drawable {
  return {
    displayWidth: video.videoWidth,
    draw: (context: CanvasRenderingContext2D, ...place: number[]) =>
      (context.drawImage as (source: CanvasImageSource, ...place: number[]) => void)(video, ...place),
  };
}
