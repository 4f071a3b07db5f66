import { expect, test } from 'vitest';
import { batchText } from './batch';

test('a batch is told in a sentence', () => {
  expect(batchText({ finished: 1, wrong: 0, failed: 0 })).toBe('1 file ready.');
  expect(batchText({ finished: 11, wrong: 0, failed: 1 })).toBe('11 files ready, 1 failed.');
  expect(batchText({ finished: 11, wrong: 2, failed: 1 })).toBe('11 files ready, 2 not right, 1 failed.');
  expect(batchText({ finished: 0, wrong: 1, failed: 0 })).toBe('1 file not right.');
  expect(batchText({ finished: 0, wrong: 0, failed: 2 })).toBe('2 files failed.');
});
