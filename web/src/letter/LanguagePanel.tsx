import { useEffect, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type ClipState, type Sentence, type TranslatedSentence, type TranslationState } from '../api/client';
import { Choice } from '../frame/Choice';
import { usePlayback } from '../plate/Playback';
import { useChanges } from '../workbench/changes';
import { useWorkbench } from '../workbench/store';
import { CAPTION_USES } from './captionUses';
import { languageName, offeredLanguages } from './languages';
import { SentenceRow } from './SentenceRow';
import { useShownLanguage } from './shownLanguage';

const FORMATS = [
  { format: 'xlf', name: 'XLIFF' },
  { format: 'srt', name: 'SubRip' },
  { format: 'vtt', name: 'WebVTT' },
  { format: 'ttml', name: 'TTML' },
];

/** Captions of a clip in other languages than the one spoken in it. */
export function LanguagePanel({ clip, spoken, frameUs }: { clip: ClipState; spoken: string; frameUs: number }) {
  const { change } = useChanges();
  const tags = Object.keys(clip.lettered.translations).sort();
  const [chosen, setChosen] = useState<string | null>(null);
  const language = chosen && tags.includes(chosen) ? chosen : (tags[0] ?? null);
  const use = language && clip.lettered.translations[language]?.use;
  const alone = use === 'BURNT' || use === 'BOTH' ? null : language;
  useEffect(() => {
    // What goes into the picture is shown as it will be there, with what else does.
    useShownLanguage.setState({ language: alone });
    return () => useShownLanguage.setState({ language: null });
  }, [alone]);
  const begin = (tag: string) => {
    void change({ type: 'useLanguage', language: tag, use: 'BESIDE' });
    setChosen(tag);
  };
  return (
    <div className="grid gap-3 text-[12.5px]">
      {tags.length > 0 && (
        <Choice
          label="Besides what is spoken"
          value={language}
          options={tags.map((tag) => ({ value: tag, name: languageName(tag) }))}
          onChoose={setChosen}
        />
      )}
      <select
        className="rounded border border-rule bg-paper px-2 py-1 text-[13px]"
        aria-label="Another language"
        value=""
        onChange={(e) => begin(e.target.value)}
      >
        <option value="" disabled>
          {tags.length ? 'Another language' : 'Captions in another language'}
        </option>
        {offeredLanguages(spoken, tags).map(({ tag, name }) => (
          <option key={tag} value={tag}>
            {name}
          </option>
        ))}
      </select>
      {language && <OneLanguage key={`${clip.id}/${language}`} clip={clip} language={language} frameUs={frameUs} />}
    </div>
  );
}

function OneLanguage({ clip, language, frameUs }: { clip: ClipState; language: string; frameUs: number }) {
  const state = useQuery({
    queryKey: ['translation', clip.id, language, clip.revision],
    queryFn: () => api.translation(clip.id, language),
    staleTime: Infinity,
    gcTime: 30_000,
    placeholderData: (before) => before,
  }).data;
  const { change } = useChanges();
  if (!state) return null;
  const take = (sentences: TranslatedSentence[]) => void change({ type: 'translate', language, sentences });
  return (
    <>
      <Choice
        label={`${languageName(language)} goes`}
        value={state.use}
        options={CAPTION_USES}
        onChoose={(use) => void change({ type: 'useLanguage', language, use })}
      />
      <Translators
        clip={clip}
        language={language}
        state={state}
        onTake={take}
        onPropose={(sentences) => void change({ type: 'takeProposals', language, sentences })}
      />
      <Standing sentences={state.sentences} onTake={take} />
      <p className="text-soft">Enter keeps a sentence, Shift Enter begins a line, and an empty line another caption.</p>
      <ol className="grid gap-2">
        {state.sentences.map((s) => (
          <SentenceRow
            key={`${s.first}/${s.last}`}
            sentence={s}
            language={language}
            frameUs={frameUs}
            onTake={(text, moved) => take([translated(s, text, moved)])}
          />
        ))}
      </ol>
      {state.unplaced.length > 0 && (
        <div>
          <h3 className="label">Not said in this clip any more</h3>
          <ul className="mt-1 grid gap-1 text-soft">
            {state.unplaced.map((s) => (
              <li key={`${s.first}/${s.last}`}>{s.text}</li>
            ))}
          </ul>
        </div>
      )}
      <button
        className="button button-small justify-self-start"
        onClick={() => void change({ type: 'dropLanguage', language })}
      >
        No {languageName(language)}
      </button>
    </>
  );
}

const translated = (s: Sentence, text: string, moved = s.moved): TranslatedSentence => ({
  moved,
  first: s.first,
  last: s.last,
  source: s.source,
  text: text.trim(),
  state: text.trim() ? 'REVIEWED' : 'OPEN',
});

/** Ways to a translator and back. */
function Translators({
  clip,
  language,
  state,
  onTake,
  onPropose,
}: {
  clip: ClipState;
  language: string;
  state: TranslationState;
  onTake: (sentences: TranslatedSentence[]) => void;
  onPropose: (sentences: TranslatedSentence[]) => void;
}) {
  const say = (message: string) => useWorkbench.setState({ message });
  const propose = async () => {
    const found = await api.proposeTranslation(clip.id, language);
    if (found.length) onPropose(found);
    else say('There is no proposal for what is still open.');
  };
  const takeIn = async (file: File) => {
    const read = await api.readTranslation(clip.id, language, file.name, await file.text());
    if (read.sentences.length) onTake(read.sentences);
    const told = [
      `${read.sentences.length} sentences from ${file.name}`,
      ...(read.notSaid ? [`${read.notSaid} are not said in this clip any more`] : []),
      ...read.mended,
    ];
    say(`${told.join('; ')}.`);
  };
  const tried = (act: Promise<void>) => void act.catch((error: Error) => say(error.message));
  return (
    <div className="grid gap-1.5">
      <div className="flex flex-wrap items-center gap-1.5">
        <span className="text-soft">To a translator</span>
        {FORMATS.map(({ format, name }) => (
          <a
            key={format}
            className="button button-small"
            href={`/api/clips/${clip.id}/translations/${language}/file?format=${format}`}
            download
          >
            {name}
          </a>
        ))}
        <label className="button button-small cursor-pointer focus-within:outline-2">
          and back
          <input
            type="file"
            accept=".xlf,.xliff,.srt,.vtt,.ttml,.xml,.ass"
            className="sr-only"
            onChange={(e) => {
              const [file] = e.target.files ?? [];
              e.target.value = '';
              if (file) tried(takeIn(file));
            }}
          />
        </label>
      </div>
      {state.translator && (
        <div className="flex flex-wrap items-center gap-1.5">
          <button className="button button-small" onClick={() => tried(propose())}>
            Propose what is open
          </button>
          <span className="text-soft">by {state.translator}</span>
        </div>
      )}
    </div>
  );
}

/** How far the translation has come, and the way to what is to be looked at. */
function Standing({ sentences, onTake }: { sentences: Sentence[]; onTake: (sentences: TranslatedSentence[]) => void }) {
  const playback = usePlayback();
  const open = sentences.filter((s) => s.state === 'OPEN');
  const proposed = sentences.filter((s) => s.state === 'PROPOSED' && !s.changed);
  const changed = sentences.filter((s) => s.changed);
  const next = sentences.find((s) => s.state !== 'REVIEWED' || s.changed);
  const facts = [
    `${sentences.length} sentences`,
    ...(open.length ? [`${open.length} open`] : []),
    ...(proposed.length ? [`${proposed.length} not looked at`] : []),
    ...(changed.length ? [`${changed.length} said otherwise since`] : []),
  ];
  return (
    <div className="flex flex-wrap items-center gap-1.5">
      <span className="text-soft">{facts.join(', ')}</span>
      {next && (
        <button
          className="button button-small"
          onClick={() => {
            playback.seek(next.played.startUs);
            const field = document.querySelector<HTMLElement>(`[data-sentence="${next.first}"] textarea`);
            field?.scrollIntoView({ block: 'center' });
            field?.focus();
          }}
        >
          Next
        </button>
      )}
      {proposed.length > 0 && (
        <button className="button button-small" onClick={() => onTake(proposed.map((s) => translated(s, s.text)))}>
          All are right
        </button>
      )}
    </div>
  );
}
