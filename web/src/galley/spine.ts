const inks = new Map<string, string>();
const dark = matchMedia('(prefers-color-scheme: dark)');
let inksOf = '';

/** Colours that a canvas cannot take from the style sheet by itself; looked up once for each paper. */
export function inkOf(name: string): string {
  const paper = `${document.documentElement.dataset.paper ?? ''} ${dark.matches}`;
  if (paper !== inksOf) {
    inks.clear();
    inksOf = paper;
  }
  let ink = inks.get(name);
  if (ink === undefined) {
    ink = getComputedStyle(document.documentElement).getPropertyValue(name).trim();
    inks.set(name, ink);
  }
  return ink;
}

/** Width of the spine's strip, pixels. */
export const SPINE_WIDTH = 84;

export interface SpineLine {
  startUs: number;
  endUs: number;
  cut: { startUs: number; endUs: number }[];
  /** Where room tone is heard instead. */
  silenced: { startUs: number; endUs: number }[];
  selected: { startUs: number; endUs: number } | null;
  /** Height of the line, pixels. */
  height: number;
}

/**
 * Draws one line's stretch of sound downwards: level as bars from the middle, cuts hatched, what is
 * selected in accent. Time runs down the line's height.
 */
export function drawSpine(canvas: HTMLCanvasElement, levels: Uint8Array, line: SpineLine) {
  const ratio = Math.min(2, window.devicePixelRatio || 1);
  const width = SPINE_WIDTH;
  const { height } = line;
  if (canvas.width !== width * ratio || canvas.height !== height * ratio) {
    canvas.width = width * ratio;
    canvas.height = height * ratio;
  }
  const g = canvas.getContext('2d')!;
  g.setTransform(ratio, 0, 0, ratio, 0, 0);
  g.clearRect(0, 0, width, height);
  const length = line.endUs - line.startUs;
  const yOf = (us: number) => ((us - line.startUs) / length) * height;
  if (line.selected) {
    g.fillStyle = inkOf('--wash');
    g.fillRect(0, yOf(line.selected.startUs), width, yOf(line.selected.endUs) - yOf(line.selected.startUs));
  }
  const kept = inkOf('--steel');
  const faint = inkOf('--rule');
  const accent = inkOf('--accent');
  const step = 2.2;
  for (let y = 0; y < height; y += step) {
    const from = line.startUs + (y / height) * length;
    const to = line.startUs + ((y + step) / height) * length;
    const middle = (from + to) / 2;
    const silent = line.silenced.some((c) => middle >= c.startUs && middle < c.endUs);
    const half = silent ? 3 : Math.max(0.5, loudness(levels, from, to) * (width / 2 - 3));
    const gone = line.cut.some((c) => middle >= c.startUs && middle < c.endUs);
    const chosen = line.selected && middle >= line.selected.startUs && middle < line.selected.endUs;
    g.fillStyle = gone ? faint : chosen ? accent : kept;
    g.fillRect(width / 2 - half, y, half * 2, 1.4);
  }
  hatch(g, line, width, yOf);
}

/** Mean level of a stretch, 0 to 1, spread so that speech fills the strip. */
function loudness(levels: Uint8Array, fromUs: number, toUs: number): number {
  let sum = 0;
  let count = 0;
  for (let i = Math.floor(fromUs / 10_000); i <= Math.min(levels.length - 1, Math.floor(toUs / 10_000)); i++) {
    sum += levels[i];
    count++;
  }
  const level = count ? sum / count : 0;
  return Math.max(0, Math.min(1, (level - 105) / 115)) ** 1.6;
}

function hatch(g: CanvasRenderingContext2D, line: SpineLine, width: number, yOf: (us: number) => number) {
  g.strokeStyle = inkOf('--faint');
  g.lineWidth = 0.8;
  for (const cut of line.cut) {
    const top = Math.max(0, yOf(cut.startUs));
    const bottom = yOf(cut.endUs);
    if (bottom - top < 0.8) continue;
    g.save();
    g.beginPath();
    g.rect(0, top, width, bottom - top);
    g.clip();
    g.beginPath();
    for (let x = -40; x < width + 40; x += 5) {
      g.moveTo(x, bottom);
      g.lineTo(x + (bottom - top) * 0.8 + 4, top - 5);
    }
    g.globalAlpha = 0.6;
    g.stroke();
    g.restore();
  }
}
