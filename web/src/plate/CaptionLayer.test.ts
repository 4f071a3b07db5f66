import { beforeEach, describe, expect, it, vi } from 'vitest';

const worker = vi.hoisted(() => ({ busy: false, drawn: [] as string[], pending: [] as (() => void)[], track: '' }));
vi.mock('jassub', () => ({
  default: class {
    _ro = { disconnect: () => undefined };
    ready = Promise.resolve();
    renderer = {
      setTrack: (text: string) =>
        new Promise<void>((done) =>
          worker.pending.push(() => {
            worker.track = text;
            done();
          }),
        ),
      setTrackByUrl: (url: string) =>
        new Promise<void>((done) =>
          worker.pending.push(() => {
            worker.track = url;
            done();
          }),
        ),
    };
    constructor(options: { subUrl: string }) {
      worker.track = options.subUrl;
    }
    get busy() {
      return worker.busy;
    }
    manualRender({ mediaTime }: { mediaTime: number }) {
      if (worker.busy) return Promise.resolve();
      return new Promise<void>((done) =>
        worker.pending.push(() => {
          worker.drawn.push(`${worker.track.replace('http://here', '')} at ${mediaTime}`);
          done();
        }),
      );
    }
    destroy = () => Promise.resolve();
  },
}));
vi.mock('jassub/dist/worker/worker.js?worker&url', () => ({ default: '/worker.js' }));
vi.mock('jassub/dist/wasm/jassub-worker.wasm?url', () => ({ default: '/a.wasm' }));
vi.mock('jassub/dist/wasm/jassub-worker-modern.wasm?url', () => ({ default: '/b.wasm' }));

import { CaptionLayer } from './CaptionLayer';

const settled = () => new Promise((done) => setTimeout(done, 5));
const finishOne = async () => {
  await settled();
  worker.pending.shift()?.();
  await settled();
};

describe('the captions on the plate', () => {
  let canvas: { dataset: Record<string, string>; className: string; remove: () => void };
  let layer: CaptionLayer;
  let unmount: () => void;
  let font: { ok: boolean; arrayBuffer: () => Promise<ArrayBuffer> };

  beforeEach(() => {
    Object.assign(worker, { busy: false, drawn: [], pending: [], track: '' });
    canvas = { dataset: {}, className: '', remove: () => undefined };
    vi.stubGlobal('document', { createElement: () => canvas });
    vi.stubGlobal('location', { href: 'http://here/' });
    font = { ok: true, arrayBuffer: () => Promise.resolve(new ArrayBuffer(1)) };
    vi.stubGlobal('fetch', () => Promise.resolve(font));
    layer = new CaptionLayer(['/a.woff']);
    unmount = layer.mount({ appendChild: () => undefined } as unknown as HTMLElement);
  });

  it('are said to be drawn only once they are', async () => {
    layer.setScript('/one');
    layer.show(40_000, 1080, 1920);
    await settled();
    expect(canvas.dataset.drawn).toBeUndefined();
    await finishOne();
    expect(worker.drawn).toEqual(['/one at 0.04']);
    expect(canvas.dataset).toMatchObject({ drawn: '40000', script: '/one' });
  });

  it('are drawn in their fonts or not at all, and are tried again', async () => {
    vi.spyOn(console, 'error').mockReturnValue(undefined);
    font = { ...font, ok: false };
    layer.setScript('/one');
    layer.show(0, 1080, 1920);
    await finishOne();
    expect(worker.drawn).toEqual([]);
    font = { ...font, ok: true };
    layer.show(40_000, 1080, 1920);
    await finishOne();
    expect(worker.drawn).toEqual(['/one at 0.04']);
  });

  it('leave out what was asked for while another drawing was under way, but for the last', async () => {
    layer.setScript('/one');
    for (const us of [0, 40_000, 80_000, 120_000]) {
      layer.show(us, 1080, 1920);
      await settled();
    }
    await finishOne();
    expect(canvas.dataset.drawn).toBeUndefined();
    await finishOne();
    expect(worker.drawn).toEqual(['/one at 0', '/one at 0.12']);
    expect(canvas.dataset.drawn).toBe('120000');
  });

  it('wait for a drawing the worker began by itself, as after a change of size', async () => {
    worker.busy = true;
    layer.setScript('/one');
    layer.show(0, 1080, 1920);
    await settled();
    expect(canvas.dataset.drawn).toBeUndefined();
    worker.busy = false;
    await settled();
    expect(canvas.dataset.drawn).toBeUndefined();
    await finishOne();
    expect(canvas.dataset.drawn).toBe('0');
  });

  it('are drawn anew from another script, of several the last', async () => {
    layer.setScript('/one');
    layer.show(0, 1080, 1920);
    await finishOne();
    layer.setScript('/two');
    await settled();
    layer.setScript('/three');
    layer.setScript('/four');
    await finishOne();
    await finishOne();
    await finishOne();
    expect(worker.drawn).toEqual(['/one at 0', '/four at 0']);
    expect(canvas.dataset.script).toBe('/four');
  });

  it('are drawn from a script that is only tried until another one is set', async () => {
    layer.setScript('/one');
    layer.show(0, 1080, 1920);
    await finishOne();
    layer.tryScript('tried');
    await settled();
    expect(canvas.dataset.drawn).toBeUndefined();
    await finishOne();
    await finishOne();
    expect(worker.drawn).toEqual(['/one at 0', 'tried at 0']);
    expect(canvas.dataset.script).toBe('tried');
    layer.setScript('/one');
    await finishOne();
    await finishOne();
    expect(canvas.dataset.script).toBe('/one');
  });

  it('end quietly when the plate closes', async () => {
    layer.setScript('/one');
    layer.show(0, 1080, 1920);
    await settled();
    unmount();
    await finishOne();
    expect(canvas.dataset.drawn).toBeUndefined();
  });
});
