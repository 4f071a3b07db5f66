import type { ReactNode } from 'react';
import type { ClipState, Specimens, Style } from '../api/client';
import { Choice } from '../frame/Choice';
import { amounts } from '../ui/amounts';
import { useChanges } from '../workbench/changes';
import { ColourField } from './ColourField';
import { ENTRANCES, MARKS, entranceOf, markColours, markOf } from './kinds';
import { nameOf, OwnFonts } from './OwnFonts';
import { PlaceFields } from './PlaceFields';
import type { Shape } from './placing';
import { TintFields } from './TintFields';
import { useCaptionStanding } from './useCaptionStanding';
import { useStyling } from './useStyling';

interface Props {
  clip: ClipState;
  specimens: Specimens;
  /** Names of those who speak in the episode. */
  speakers: string[];
  /** Of the picture that is seen. */
  shape: Shape;
}

/** How the lettering looks in this clip: on the plate at once, kept when let go. */
export function StylePanel({ clip, specimens, speakers, shape }: Props) {
  const { change } = useChanges();
  const styling = useStyling(clip);
  const standing = useCaptionStanding(clip)?.place;
  if (!styling) return null;
  const { style, show, keep } = styling;
  const amount = amounts<Partial<Style>>(show, keep);
  const { face, fill, shadow, ground, motion } = style;
  const { typefaces } = specimens;
  const faceFor = (name: string) => {
    const { family, bold, italic } = typefaces.find((t) => nameOf(t) === name)!;
    return { family, bold, italic };
  };
  const chosen = (of: Style['face'] | null) => {
    const family = typefaces.filter((t) => t.family === of?.family);
    const typeface = family.find((t) => t.bold === of?.bold && t.italic === of.italic) ?? family[0];
    return typeface ? nameOf(typeface) : '';
  };
  const families = typefaces.map(nameOf);
  return (
    <div className="grid gap-3.5">
      <Part name="Letters">
        <FamilyField
          label="Font"
          value={chosen(face)}
          none={chosen(face) ? undefined : `${face.family}, which is not there any more`}
          families={families}
          onChoose={(f) => f && keep({ face: { ...face, ...faceFor(f) } })}
        />
        <OwnFonts typefaces={typefaces} />
        {amount('Size', face.size, 20, 300, (size) => ({ face: { ...face, size } }))}
        {amount('Spacing', face.spacing, -10, 30, (spacing) => ({ face: { ...face, spacing } }))}
        {amount('Leading', face.lineHeight, 0.6, 2, (lineHeight) => ({ face: { ...face, lineHeight } }), 0.02)}
        {amount('Width', face.width, 0.5, 2, (width) => ({ face: { ...face, width } }), 0.02)}
        {amount('Slant', face.slant, -0.5, 0.5, (slant) => ({ face: { ...face, slant } }), 0.02)}
        <Choice
          label="Set in"
          value={face.letterCase}
          options={[
            { value: 'AS_WRITTEN', name: 'as written' },
            { value: 'CAPITALS', name: 'capitals' },
            { value: 'SMALL', name: 'small letters' },
          ]}
          onChoose={(letterCase) => keep({ face: { ...face, letterCase } })}
        />
        <ColourField
          name="Colour"
          value={style.text}
          onTry={(text) => show({ text })}
          onKeep={(text) => keep({ text })}
        />
        {amount('Soft', fill.softness, 0, 30, (softness) => ({ fill: { ...fill, softness } }), 0.5)}
        <button
          className="button button-small justify-self-start"
          aria-pressed={fill.foot !== null}
          onClick={() => keep({ fill: { ...fill, foot: fill.foot ? null : (style.key.colour ?? style.text) } })}
        >
          Two colours, top to foot
        </button>
        {fill.foot && (
          <ColourField
            name="At the foot"
            value={fill.foot}
            onTry={(foot) => show({ fill: { ...fill, foot } })}
            onKeep={(foot) => keep({ fill: { ...fill, foot } })}
          />
        )}
        <FamilyField
          label="Lower lines"
          value={chosen(style.lowerFace)}
          families={families}
          none="in the same"
          onChoose={(f) => keep({ lowerFace: f ? { ...face, ...faceFor(f) } : null })}
        />
      </Part>
      <Part name="Outlines">
        {style.edges.map((edge, i) => {
          const changed = (next: Partial<typeof edge>) => ({
            edges: style.edges.map((e, k) => (k === i ? { ...e, ...next } : e)),
          });
          return (
            <div key={i} className="grid gap-1">
              {amount(i ? 'Outer, width' : 'Width', edge.width, 0, 40, (width) => changed({ width }), 0.5)}
              {amount(i ? 'Outer, soft' : 'Soft', edge.softness, 0, 30, (softness) => changed({ softness }), 0.5)}
              <ColourField
                name={i ? 'Outer, colour' : 'Colour'}
                value={edge.colour}
                onTry={(colour) => show(changed({ colour }))}
                onKeep={(colour) => keep(changed({ colour }))}
              />
            </div>
          );
        })}
        <div className="flex gap-1.5">
          {style.edges.length < 2 && (
            <button
              className="button button-small"
              onClick={() =>
                keep({
                  edges: [
                    ...style.edges,
                    { colour: { red: 30, green: 27, blue: 26, alpha: 255 }, width: 6, softness: 0 },
                  ],
                })
              }
            >
              One more
            </button>
          )}
          {style.edges.length > 0 && (
            <button className="button button-small" onClick={() => keep({ edges: style.edges.slice(0, -1) })}>
              Without the last
            </button>
          )}
        </div>
      </Part>
      <Part name="Shadow">
        <ColourField
          name="Colour"
          value={shadow.colour}
          onTry={(colour) => show({ shadow: { ...shadow, colour } })}
          onKeep={(colour) => keep({ shadow: { ...shadow, colour } })}
        />
        {amount('To the right', shadow.right, -60, 60, (right) => ({ shadow: { ...shadow, right } }))}
        {amount('Down', shadow.down, -60, 60, (down) => ({ shadow: { ...shadow, down } }))}
        {amount('Soft', shadow.softness, 0, 40, (softness) => ({ shadow: { ...shadow, softness } }))}
      </Part>
      <Part name="Box behind">
        <Choice
          label="Of"
          value={ground.extent}
          options={[
            { value: 'LINE', name: 'each line' },
            { value: 'BLOCK', name: 'all of it' },
          ]}
          onChoose={(extent) => keep({ ground: { ...ground, extent } })}
        />
        <ColourField
          name="Colour"
          value={ground.colour}
          onTry={(colour) => show({ ground: { ...ground, colour } })}
          onKeep={(colour) => keep({ ground: { ...ground, colour } })}
        />
        {amount('Room', ground.padding, 0, 80, (padding) => ({ ground: { ...ground, padding } }))}
        {amount('Radius', ground.radius, 0, 80, (radius) => ({ ground: { ...ground, radius } }))}
      </Part>
      <Part name="The spoken word">
        <Choice
          label="Is"
          value={style.mark.type}
          options={MARKS}
          onChoose={(type) => keep({ mark: markOf(type, style) })}
        />
        {markColours(style.mark).map(({ name, colour, changed }) => (
          <ColourField
            key={name}
            name={name}
            value={colour}
            onTry={(c) => show({ mark: changed(c) })}
            onKeep={(c) => keep({ mark: changed(c) })}
          />
        ))}
        {style.mark.type === 'larger' &&
          amount(
            'Size',
            style.mark.scale,
            1.02,
            1.6,
            (scale) => ({ mark: { ...style.mark, scale } as Style['mark'] }),
            0.02,
          )}
      </Part>
      <Part name="Key words">
        <ColourField
          name="Colour"
          value={style.key.colour ?? style.text}
          onTry={(colour) => show({ key: { ...style.key, colour } })}
          onKeep={(colour) => keep({ key: { ...style.key, colour } })}
        />
        {amount('Size', style.key.scale, 0.5, 2.5, (scale) => ({ key: { ...style.key, scale } }), 0.05)}
      </Part>
      <Part name="Who speaks, and numbers">
        <TintFields
          tints={style.tints}
          speakers={speakers}
          onTry={(tints) => show({ tints })}
          onKeep={(tints) => keep({ tints })}
        />
      </Part>
      <Part name="Comes, stands, goes">
        <Choice
          label="Comes in"
          value={motion.entrance.type}
          options={ENTRANCES}
          onChoose={(type) => keep({ motion: { ...motion, entrance: entranceOf(type) } })}
        />
        {'ms' in motion.entrance &&
          amount(
            'Within, ms',
            motion.entrance.ms,
            20,
            800,
            (ms) => ({
              motion: { ...motion, entrance: { ...motion.entrance, ms } as typeof motion.entrance },
            }),
            10,
          )}
        {amount('Grows by', motion.growth, 0, 0.3, (growth) => ({ motion: { ...motion, growth } }), 0.01)}
        {amount('Goes in, ms', motion.leaveMs, 0, 800, (leaveMs) => ({ motion: { ...motion, leaveMs } }), 10)}
      </Part>
      <Part name="Place">{standing && <PlaceFields styling={styling} shape={shape} standing={standing} />}</Part>
      <button
        className="button button-small justify-self-start"
        disabled={!clip.lettered.style}
        onClick={() => void change({ type: 'restyle', style: null })}
      >
        Back to the lettering as it is
      </button>
    </div>
  );
}

function Part({ name, children }: { name: string; children: ReactNode }) {
  return (
    <details open={name === 'Letters'} className="border-t border-rule pt-2">
      <summary className="label cursor-pointer">{name}</summary>
      <div className="mt-2 grid gap-1.5">{children}</div>
    </details>
  );
}

function FamilyField({
  label,
  value,
  families,
  none,
  onChoose,
}: {
  label: string;
  value: string;
  families: string[];
  none?: string;
  onChoose: (family: string) => void;
}) {
  return (
    <label className="grid grid-cols-[74px_1fr] items-center gap-2 text-[12.5px]">
      {label}
      <select
        className="min-w-0 rounded border border-rule bg-paper px-1 py-0.5 text-[12.5px]"
        value={value}
        onChange={(e) => onChoose(e.target.value)}
      >
        {none && <option value="">{none}</option>}
        {families.map((f) => (
          <option key={f}>{f}</option>
        ))}
      </select>
    </label>
  );
}
