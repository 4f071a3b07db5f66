import { useState } from 'react';
import type { DestinationWanted } from '../api/client';

const SHAPES = ['9:16', '4:5', '1:1', '16:9'];
const MB = 1_000_000;

const shapeOf = (text: string) => {
  const [width, height] = text.split(':').map(Number);
  return { width, height };
};

/** What a destination is called and what it takes. */
export function DestinationForm({
  wanted,
  onSave,
  onRemove,
  onLeave,
}: {
  wanted: DestinationWanted;
  onSave: (wanted: DestinationWanted) => void;
  /** Left out where it is not there yet. */
  onRemove?: () => void;
  onLeave: () => void;
}) {
  const [name, setName] = useState(wanted.name);
  const [rules, setRules] = useState(wanted.rules);
  const [answers, setAnswers] = useState(wanted.answers);
  const own = rules.shapes.map((s) => `${s.width}:${s.height}`);
  const toggle = (shape: string) =>
    setRules({
      ...rules,
      shapes: own.includes(shape)
        ? rules.shapes.filter((s) => `${s.width}:${s.height}` !== shape)
        : [...rules.shapes, shapeOf(shape)],
    });
  return (
    <form
      className="grid gap-2.5"
      onSubmit={(e) => {
        e.preventDefault();
        onSave({ name, rules, answers });
      }}
    >
      <label className="label">
        Name
        <input
          className="field mt-1 font-normal text-ink"
          value={name}
          maxLength={60}
          required
          autoFocus
          onChange={(e) => setName(e.target.value)}
        />
      </label>
      <div role="group" aria-label="Shapes that are taken">
        <div className="label">Shapes, none for any</div>
        <div className="mt-1 flex flex-wrap gap-1.5">
          {[...new Set([...SHAPES, ...own])].map((shape) => (
            <button
              key={shape}
              type="button"
              className="button button-small"
              aria-pressed={own.includes(shape)}
              onClick={() => toggle(shape)}
            >
              {shape}
            </button>
          ))}
        </div>
      </div>
      <div className="grid grid-cols-2 gap-2">
        <Most
          name="Longest, seconds"
          value={rules.longestSeconds}
          most={43_200}
          onChange={(longestSeconds) => setRules({ ...rules, longestSeconds })}
        />
        <Most
          name="Largest, MB"
          value={rules.mostBytes / MB}
          most={1_000_000}
          onChange={(mb) => setRules({ ...rules, mostBytes: mb * MB })}
        />
        <Most
          name="Title, characters"
          value={rules.title}
          most={10_000}
          onChange={(title) => setRules({ ...rules, title })}
        />
        <Most
          name="Text, characters"
          value={rules.text}
          most={10_000}
          onChange={(text) => setRules({ ...rules, text })}
        />
        <Most name="Tags" value={rules.tags} most={100} onChange={(tags) => setRules({ ...rules, tags })} />
      </div>
      <p className="text-[12.5px] text-soft">0 stands for no limit.</p>
      <label className="flex items-center gap-1.5">
        <input type="checkbox" checked={!answers} onChange={(e) => setAnswers(!e.target.checked)} />
        The stand-in pretends not to answer
      </label>
      <div className="flex gap-1.5">
        <button className="button button-strong">Save</button>
        <button type="button" className="button" onClick={onLeave}>
          Leave
        </button>
        {onRemove && (
          <button type="button" className="button ml-auto" onClick={onRemove}>
            Remove
          </button>
        )}
      </div>
    </form>
  );
}

function Most({
  name,
  value,
  most,
  onChange,
}: {
  name: string;
  value: number;
  most: number;
  onChange: (value: number) => void;
}) {
  return (
    <label className="label">
      {name}
      <input
        className="field mt-1 font-normal text-ink"
        type="number"
        min={0}
        max={most}
        step={1}
        value={value}
        onChange={(e) => onChange(Math.max(0, Math.round(Number(e.target.value))))}
      />
    </label>
  );
}
