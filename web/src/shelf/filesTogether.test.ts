import { expect, test } from 'vitest';
import { titleOf, transcriptOf } from './filesTogether';

const file = (name: string) => ({ name, bytes: 1, isTranscript: /\.(json|srt)$/.test(name), isBundle: false });

test('files that lie together are an episode of the folder’s name', () => {
  const files = ['tide_mill/camera.mp4', 'tide_mill/host.wav', 'tide_mill/words.json'].map(file);
  expect(titleOf('tide_mill/camera.mp4', files)).toBe('tide mill');
  expect(transcriptOf('tide_mill/camera.mp4', files)).toBe('tide_mill/words.json');
});

test('files that lie among all sorts go by their own names', () => {
  const files = ['uploads/talk.mp4', 'uploads/other.srt', 'loose.mp4', 'loose.srt', 'alone/one-take.mp4'].map(file);
  expect(titleOf('uploads/talk.mp4', files)).toBe('talk');
  expect(transcriptOf('uploads/talk.mp4', files)).toBeNull();
  expect(titleOf('loose.mp4', files)).toBe('loose');
  expect(transcriptOf('loose.mp4', files)).toBe('loose.srt');
  expect(titleOf('alone/one-take.mp4', files)).toBe('one take');
});

test('of several transcripts in a folder none is guessed', () => {
  const files = ['a/x.mp4', 'a/y.srt', 'a/z.srt'].map(file);
  expect(transcriptOf('a/x.mp4', files)).toBeNull();
});
