import { expect, test } from 'vitest';
import { isSpaced, joined } from './spacing';

test('blanks stand between words of scripts that have them', () => {
  expect(isSpaced('the', 'ferry')).toBe(true);
  expect(isSpaced('여객선이', '떠났다')).toBe(true);
  expect(isSpaced('العبارة', 'الأخيرة')).toBe(true);
  expect(isSpaced('Sailing', '船')).toBe(true);
});

test('words become a text', () => {
  expect(joined(['the', 'last', 'ferry'])).toBe('the last ferry');
  expect(joined(['最終', '便', 'は', '出た。'])).toBe('最終便は出た。');
  expect(joined([])).toBe('');
});

test('none stand where the script has none', () => {
  expect(isSpaced('最終', '便')).toBe(false);
  expect(isSpaced('船は', '出た。')).toBe(false);
  expect(isSpaced('เรือ', 'เที่ยว')).toBe(false);
  expect(isSpaced('2024', '年')).toBe(false);
  expect(isSpaced('出た。', 'Next')).toBe(false);
});
