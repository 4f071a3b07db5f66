import type { Spec } from '../api/client';
import { assertNever } from '../ui/assertNever';

export type Codec = Spec['encoding']['codec'];
export type SpecCaptions = NonNullable<Spec['captions']>;

export const CODECS: Codec[] = ['H264', 'HEVC', 'VP9', 'AV1', 'VC3', 'MP3', 'M4A', 'WAV'];

export function codecName(codec: Codec): string {
  switch (codec) {
    case 'H264':
      return 'H.264 in MP4';
    case 'HEVC':
      return 'HEVC in MP4';
    case 'VP9':
      return 'VP9 in WebM';
    case 'AV1':
      return 'AV1 in MP4';
    case 'VC3':
      return 'VC-3 in MOV, every frame whole';
    case 'MP3':
      return 'sound only, MP3';
    case 'M4A':
      return 'sound only, M4A';
    case 'WAV':
      return 'sound only, WAV';
    default:
      return assertNever(codec);
  }
}

export const hasPicture = (codec: Codec) => codec !== 'MP3' && codec !== 'M4A' && codec !== 'WAV';
export const hasQuality = (codec: Codec) => hasPicture(codec) && codec !== 'VC3';
export const coarsest = (codec: Codec) => (codec === 'VP9' || codec === 'AV1' ? 63 : 51);

/** What the names of a codec's files end in. */
export function ending(codec: Codec): string {
  switch (codec) {
    case 'H264':
    case 'HEVC':
    case 'AV1':
      return 'mp4';
    case 'VP9':
      return 'webm';
    case 'VC3':
      return 'mov';
    case 'MP3':
      return 'mp3';
    case 'M4A':
      return 'm4a';
    case 'WAV':
      return 'wav';
    default:
      return assertNever(codec);
  }
}

/** A codec's usual quality, of those that look alike; common practice. */
export const usualCrf = (codec: Codec) =>
  ({ H264: 20, HEVC: 23, VP9: 31, AV1: 30, VC3: 0, MP3: 0, M4A: 0, WAV: 0 })[codec];

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

export const SHIPPED = ['vertical-60', 'vertical-90', 'vertical-600', 'feed-square', 'feed-tall', 'wide'];
export const isShipped = (spec: Spec) => SHIPPED.includes(spec.id);
