import { describe, expect, it } from 'vitest';
import { placeToGo } from './placeToGo';

describe('placeToGo', () => {
  it('is the page that was asked for', () => {
    expect(placeToGo('?to=%2Fepisodes%2F3%2Fpare%3Fclip%3D4')).toBe('/episodes/3/pare?clip=4');
    expect(placeToGo('')).toBe('/');
  });

  // OWASP Unvalidated Redirects and Forwards Cheat Sheet; WHATWG URL takes a backslash for a slash.
  it('is never another site', () => {
    for (const to of [
      'https://elsewhere.example',
      '//elsewhere.example',
      '/\\elsewhere.example',
      'javascript:alert(1)',
    ])
      expect(placeToGo(`?to=${encodeURIComponent(to)}`)).toBe('/');
  });
});
