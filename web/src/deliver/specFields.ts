import type { Spec } from '../api/client';
import { assertNever } from '../ui/assertNever';

export type Codec = Spec['encoding']['codec'];

/** What is chosen of a codec: its name, whether it has a picture, whether it can be held to a size, the coarsest quality, and the usual one of those that look alike (common practice). */
const FACTS: Record<
  Codec,
  { name: string; picture: boolean; chosenSize: boolean; quality: { coarsest: number; usual: number } | null }
> = {
  H264: { name: 'H.264 in MP4', picture: true, chosenSize: true, quality: { coarsest: 51, usual: 20 } },
  HEVC: { name: 'HEVC in MP4', picture: true, chosenSize: true, quality: { coarsest: 51, usual: 23 } },
  VP9: { name: 'VP9 in WebM', picture: true, chosenSize: true, quality: { coarsest: 63, usual: 31 } },
  AV1: { name: 'AV1 in MP4', picture: true, chosenSize: true, quality: { coarsest: 63, usual: 30 } },
  VC3: { name: 'VC-3 in MOV, every frame whole', picture: true, chosenSize: false, quality: null },
  MP3: { name: 'sound only, MP3', picture: false, chosenSize: true, quality: null },
  M4A: { name: 'sound only, M4A', picture: false, chosenSize: true, quality: null },
  WAV: { name: 'sound only, WAV', picture: false, chosenSize: false, quality: null },
};

export const CODECS = Object.keys(FACTS) as Codec[];
export const codecName = (codec: Codec) => FACTS[codec].name;
export const hasPicture = (codec: Codec) => FACTS[codec].picture;
export const hasChosenSize = (codec: Codec) => FACTS[codec].chosenSize;
export const qualityOf = (codec: Codec) => FACTS[codec].quality;

export function captionsName(captions: Spec['captions']): string {
  switch (captions) {
    case null:
      return 'captions as each clip has them';
    case 'BURNT':
      return 'captions in the picture';
    case 'BESIDE':
      return 'captions as a file';
    case 'BOTH':
      return 'captions in the picture and as a file';
    case 'NONE':
      return 'no captions';
    default:
      return assertNever(captions);
  }
}

/** A spec to begin with: the one looked at, under a name that says so. */
export const copyOf = (spec: Spec): Spec => ({ ...spec, name: `${spec.name}, copy`.slice(0, 60) });
