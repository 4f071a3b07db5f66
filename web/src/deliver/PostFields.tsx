import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Copy } from 'lucide-react';
import { api, type Spec } from '../api/client';
import { useWorkbench } from '../workbench/store';

const lettersOf = (text: string) => [...text].length;

/** What is posted with a clip: proposed from its words, edited once, shown as the destination takes it. */
export function PostFields({ clipId, revision, spec }: { clipId: number; revision: number; spec: Spec }) {
  const queries = useQueryClient();
  const [copied, setCopied] = useState(false);
  const post = useQuery({
    queryKey: ['post', clipId, spec.id, revision],
    queryFn: () => api.post(clipId, spec.id),
    placeholderData: (before) => before,
  }).data;
  if (!post) return null;
  const { whole, taken } = post;
  const keep = async (changed: typeof whole | null) => {
    try {
      await api.change(clipId, revision, { type: 'writePost', post: changed });
    } catch (error) {
      useWorkbench.setState({ message: (error as Error).message });
    }
    await Promise.all(['sheet', 'clips', 'post'].map((key) => queries.invalidateQueries({ queryKey: [key] })));
  };
  const shortened = taken.text !== whole.text;
  return (
    <div className="mt-3 grid gap-1.5">
      <div className="flex items-baseline justify-between">
        <label className="label" htmlFor="post-text">
          Text, {lettersOf(whole.text)} of {spec.texts.text}
        </label>
        {post.written ? (
          <button className="link text-[12px]" onClick={() => void keep(null)}>
            As proposed
          </button>
        ) : (
          <span className="text-[12px] text-soft">proposed from its words</span>
        )}
      </div>
      <textarea
        id="post-text"
        key={whole.text}
        className="field min-h-[84px] text-[12.5px] leading-snug"
        defaultValue={whole.text}
        maxLength={2000}
        onBlur={(e) => e.target.value.trim() !== whole.text && void keep({ ...whole, text: e.target.value })}
      />
      {shortened && (
        <p className="text-[12px] text-soft">
          Shortened for {spec.name}: <span className="text-ink">{taken.text}</span>
        </p>
      )}
      <label className="label" htmlFor="post-tags">
        Tags, {whole.tags.length} of {spec.texts.tags}
      </label>
      <input
        id="post-tags"
        key={whole.tags.join(' ')}
        className="field text-[12.5px]"
        defaultValue={whole.tags.join(' ')}
        onBlur={(e) => {
          const tags = e.target.value.split(/[\s,#]+/).filter(Boolean);
          if (tags.join(' ') !== whole.tags.join(' ')) void keep({ ...whole, tags });
        }}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
      />
      <button
        className="button button-small flex items-center gap-1.5 justify-self-start"
        data-testid="copy-texts"
        onClick={async () => {
          const lines = [taken.title, taken.text, taken.tags.map((t) => `#${t}`).join(' ')];
          try {
            await navigator.clipboard.writeText(lines.filter(Boolean).join('\n\n'));
            setCopied(true);
            setTimeout(() => setCopied(false), 1_500);
          } catch {
            useWorkbench.setState({ message: 'The browser does not let this page write to the clipboard.' });
          }
        }}
      >
        <Copy size={13} /> {copied ? 'Copied' : 'Copy texts'}
      </button>
    </div>
  );
}
