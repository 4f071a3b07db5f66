import { useState, type ReactNode } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { api, type Spec } from '../api/client';
import { useWorkbench } from '../workbench/store';
import { SafeAreaDrawing } from './SafeAreaDrawing';
import {
  captionsName,
  CODECS,
  codecName,
  copyOf,
  hasChosenSize,
  hasPicture,
  qualityOf,
  type Codec,
} from './specFields';
import { SpecNumber } from './SpecNumber';

const SECOND = 1_000_000;
const MEGABYTE = 1_000_000;
const CAPTIONS: Spec['captions'][] = [null, 'BURNT', 'BESIDE', 'BOTH', 'NONE'];

/** A delivery spec: what one destination takes. Those that ship are read, and copied to be changed. */
export function SpecPanel({
  spec: kept,
  locked,
  onChosen,
  onGone,
}: {
  spec: Spec;
  /** Ships with the program, and stays as it is. */
  locked: boolean;
  onChosen: (id: string) => void;
  onGone: () => void;
}) {
  const queries = useQueryClient();
  const [tried, setTried] = useState<Spec | null>(null);
  const [problem, setProblem] = useState('');
  const spec = tried ?? kept;
  const { encoding, canvas, length, texts } = spec;
  const quality = qualityOf(encoding.codec);
  const ask = async <T,>(act: () => Promise<T>): Promise<T | undefined> => {
    try {
      const answer = await act();
      setProblem('');
      await Promise.all(
        ['specs', 'sheet', 'preview', 'post', 'names', 'covers'].map((queryKey) =>
          queries.invalidateQueries({ queryKey: [queryKey] }),
        ),
      );
      return answer;
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setTried(null);
    }
  };
  const keep = (part: Partial<Spec>) => {
    const changed = { ...spec, ...part };
    setTried(changed);
    void ask(() => api.changeSpec(changed));
  };
  const encode = (part: Partial<Spec['encoding']>) => keep({ encoding: { ...encoding, ...part } });
  const choose = (codec: Codec) =>
    encode({
      codec,
      crf: qualityOf(codec)?.usual ?? 0,
      pictureKbps: qualityOf(codec) ? encoding.pictureKbps : null,
      mostBytes: hasChosenSize(codec) ? encoding.mostBytes : null,
    });
  const copy = async () => {
    const made = await ask(() => api.addSpec(copyOf(spec)));
    if (made) onChosen(made.id);
  };
  return (
    <div aria-label="Delivery spec" role="group" className="grid gap-3">
      {locked ? (
        <h2 className="font-serif text-[18px] leading-snug font-semibold">{spec.name}</h2>
      ) : (
        <input
          key={spec.name}
          aria-label="Name of the spec"
          className="field font-serif text-[18px] font-semibold"
          defaultValue={spec.name}
          maxLength={60}
          onBlur={(e) => e.target.value.trim() !== spec.name && keep({ name: e.target.value })}
          onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
        />
      )}
      <div className="flex flex-wrap gap-1.5">
        <button className="button button-small" onClick={() => void copy()}>
          {locked ? 'Copy to change' : 'Copy'}
        </button>
        <a className="button button-small" href={`/api/specs/file?ids=${encodeURIComponent(spec.id)}`} download>
          Save as a file
        </a>
        {!locked && (
          <button
            className="button button-small"
            title="Clips that ask for it ask for it no more; finished files stay"
            onClick={async () => {
              await ask(() => api.removeSpec(spec.id));
              onGone();
            }}
          >
            Remove
          </button>
        )}
      </div>
      {locked && <p className="text-[12.5px] text-soft">Ships with the program and stays as it is.</p>}
      {problem && (
        <p role="alert" className="text-accent">
          {problem}
        </p>
      )}
      {hasPicture(encoding.codec) && (
        <Part name="Picture, and what is covered there">
          <SafeAreaDrawing canvas={canvas} locked={locked} onDraw={(safe) => keep({ canvas: { ...canvas, safe } })} />
          <p className="text-center text-[12px] text-soft tabular-nums">
            {(['top', 'right', 'bottom', 'left'] as const)
              .map((side) => `${side} ${Math.round(canvas.safe[side] * 100)} %`)
              .join(', ')}
          </p>
          <SpecNumber
            name="Width"
            unit="px"
            value={canvas.width}
            locked={locked}
            onKeep={(v) => keep({ canvas: { ...canvas, width: v! } })}
          />
          <SpecNumber
            name="Height"
            unit="px"
            value={canvas.height}
            locked={locked}
            onKeep={(v) => keep({ canvas: { ...canvas, height: v! } })}
          />
          <SpecNumber
            name="Frames at most"
            unit="a second"
            value={spec.frames.most}
            locked={locked}
            onKeep={(v) => keep({ frames: { most: Math.round(v!) } })}
          />
          <Tick
            name="Enlarge smaller recordings to this size"
            checked={spec.enlarges}
            locked={locked}
            onKeep={(enlarges) => keep({ enlarges })}
          />
        </Part>
      )}
      {hasPicture(encoding.codec) && (
        <Part name="Cover">
          <Tick
            name="Of a size of its own"
            checked={spec.cover !== null}
            locked={locked}
            onKeep={(own) => keep({ cover: own ? { width: canvas.width, height: canvas.height } : null })}
          />
          {spec.cover && (
            <>
              <SpecNumber
                name="Cover’s width"
                unit="px"
                value={spec.cover.width}
                locked={locked}
                onKeep={(v) => keep({ cover: { ...spec.cover!, width: Math.round(v!) } })}
              />
              <SpecNumber
                name="Cover’s height"
                unit="px"
                value={spec.cover.height}
                locked={locked}
                onKeep={(v) => keep({ cover: { ...spec.cover!, height: Math.round(v!) } })}
              />
            </>
          )}
        </Part>
      )}
      <Part name="Length">
        <SpecNumber
          name="At least"
          unit="s"
          value={length.shortestUs / SECOND}
          locked={locked}
          onKeep={(v) => keep({ length: { ...length, shortestUs: Math.round(v! * SECOND) } })}
        />
        <SpecNumber
          name="At most"
          unit="s"
          value={length.longestUs / SECOND}
          locked={locked}
          onKeep={(v) => keep({ length: { ...length, longestUs: Math.round(v! * SECOND) } })}
        />
        <SpecNumber
          name="Aim under that by"
          unit="s"
          value={length.marginUs / SECOND}
          locked={locked}
          onKeep={(v) => keep({ length: { ...length, marginUs: Math.round(v! * SECOND) } })}
        />
      </Part>
      <Part name="File">
        <Choice
          name="Codec"
          value={encoding.codec}
          locked={locked}
          options={CODECS.map((c) => [c, codecName(c)])}
          onKeep={(codec) => choose(codec as Codec)}
        />
        {quality && (
          <>
            <SpecNumber
              name={`Quality, 0 finest to ${quality.coarsest}`}
              unit="CRF"
              value={encoding.crf}
              locked={locked || encoding.pictureKbps !== null}
              onKeep={(v) => encode({ crf: Math.round(v!) })}
            />
            <SpecNumber
              name="or a bit rate"
              unit="kbit/s"
              empty="by quality"
              value={encoding.pictureKbps}
              locked={locked}
              onKeep={(v) => encode({ pictureKbps: v === null ? null : Math.round(v) })}
            />
            <SpecNumber
              name="Whole frame every"
              unit="s"
              empty="as it likes"
              value={encoding.keyframeSeconds}
              locked={locked}
              onKeep={(v) => encode({ keyframeSeconds: v })}
            />
          </>
        )}
        {hasChosenSize(encoding.codec) && (
          <SpecNumber
            name="File at most"
            unit="MB"
            empty="any size"
            value={encoding.mostBytes === null ? null : encoding.mostBytes / MEGABYTE}
            locked={locked}
            onKeep={(v) => encode({ mostBytes: v === null ? null : Math.round(v * MEGABYTE) })}
          />
        )}
      </Part>
      <Part name="Sound">
        <SpecNumber
          name="Loudness"
          unit="LUFS"
          value={spec.loudness.target.lufs}
          locked={locked}
          onKeep={(v) => keep({ loudness: { target: { ...spec.loudness.target, lufs: v! } } })}
        />
        <SpecNumber
          name="Peak at most"
          unit="dBTP"
          value={spec.loudness.target.ceilingDbtp}
          locked={locked}
          onKeep={(v) => keep({ loudness: { target: { ...spec.loudness.target, ceilingDbtp: v! } } })}
        />
        {encoding.codec !== 'VC3' && encoding.codec !== 'WAV' && (
          <SpecNumber
            name="Bit rate"
            unit="kbit/s"
            value={encoding.soundKbps}
            locked={locked}
            onKeep={(v) => encode({ soundKbps: Math.round(v!) })}
          />
        )}
      </Part>
      <Part name="Captions and texts">
        <Choice
          name="Captions"
          value={spec.captions ?? ''}
          locked={locked}
          options={CAPTIONS.map((c) => [c ?? '', captionsName(c)])}
          onKeep={(v) => keep({ captions: (v || null) as Spec['captions'] })}
        />
        <SpecNumber
          name="Title up to"
          unit="letters"
          value={texts.title}
          locked={locked}
          onKeep={(v) => keep({ texts: { ...texts, title: Math.round(v!) } })}
        />
        <SpecNumber
          name="Text up to"
          unit="letters"
          value={texts.text}
          locked={locked}
          onKeep={(v) => keep({ texts: { ...texts, text: Math.round(v!) } })}
        />
        <SpecNumber
          name="Tags up to"
          unit=""
          value={texts.tags}
          locked={locked}
          onKeep={(v) => keep({ texts: { ...texts, tags: Math.round(v!) } })}
        />
      </Part>
      <label className="button button-small cursor-pointer justify-self-start focus-within:outline-2">
        Take specs from a file
        <input
          type="file"
          accept=".json,application/json"
          className="sr-only"
          onChange={async (e) => {
            const file = e.target.files?.[0];
            e.target.value = '';
            if (!file) return;
            const taken = await ask(async () => {
              const text = await file.text();
              let read: unknown;
              try {
                read = JSON.parse(text);
              } catch {
                throw new Error(`${file.name} is no file of delivery specs.`);
              }
              return api.takeSpecFile(read);
            });
            if (taken?.length) {
              onChosen(taken[0].id);
              useWorkbench.setState({ message: `Taken: ${taken.map((s) => s.name).join(', ')}` });
            }
          }}
        />
      </label>
    </div>
  );
}

function Part({ name, children }: { name: string; children: ReactNode }) {
  return (
    <section className="grid gap-1.5 border-t border-rule pt-2" aria-label={name}>
      <h3 className="label">{name}</h3>
      {children}
    </section>
  );
}

function Tick({
  name,
  checked,
  locked,
  onKeep,
}: {
  name: string;
  checked: boolean;
  locked: boolean;
  onKeep: (checked: boolean) => void;
}) {
  return (
    <label className="flex items-center gap-2 text-[12.5px]">
      <input
        type="checkbox"
        className="accent-[var(--steel)]"
        checked={checked}
        disabled={locked}
        onChange={(e) => onKeep(e.target.checked)}
      />
      {name}
    </label>
  );
}

function Choice({
  name,
  value,
  locked,
  options,
  onKeep,
}: {
  name: string;
  value: string;
  locked: boolean;
  options: [string, string][];
  onKeep: (value: string) => void;
}) {
  return (
    <select
      className="field text-[12.5px]"
      aria-label={name}
      value={value}
      disabled={locked}
      onChange={(e) => onKeep(e.target.value)}
    >
      {options.map(([id, label]) => (
        <option key={id} value={id}>
          {label}
        </option>
      ))}
    </select>
  );
}
