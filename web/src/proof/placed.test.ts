import { describe, expect, it } from 'vitest';
import type { GuestClip, GuestRemark } from './guestApi';
import { placed } from './placed';

const words = (text: string, speaker = 0): GuestClip['words'] =>
  text.split(' ').map((word, i) => ({ text: word, fromUs: i * 1000, toUs: i * 1000 + 800, speaker, isNew: false }));

const remark = (id: number, fileUs: number, answers: number | null = null) => ({ id, fileUs, answers }) as GuestRemark;

const at = (list: GuestClip['words'], ...remarks: GuestRemark[]) =>
  [...placed(list, remarks)].map(([word, there]) => [word, there.map((r) => r.id)]);

describe('remarks', () => {
  const said = words('The ice came up. Nobody had told me.');

  it('stand after the sentence that they are about, without their answers', () => {
    expect(at(said, remark(1, 1000), remark(2, 1000, 1), remark(3, 5500), remark(4, 2999))).toEqual([
      [3, [1, 4]],
      [7, [3]],
    ]);
  });

  it('stand where somebody else begins to speak, and not far off where no sentence ends', () => {
    const turn = [...words('and then he'), ...words('why', 1).map((w) => ({ ...w, fromUs: 3000 }))];
    expect(at(turn, remark(1, 0))).toEqual([[2, [1]]]);
    expect(at(words('so '.repeat(40).trim()), remark(1, 2000))).toEqual([[16, [1]]]);
  });

  it('stand in the text whatever their time', () => {
    expect(at(said, remark(1, -5), remark(2, 9e9))).toEqual([
      [3, [1]],
      [7, [2]],
    ]);
    expect(at([], remark(1, 0))).toEqual([[-1, [1]]]);
  });
});
