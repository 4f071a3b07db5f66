package paringknife.server.shelf;

/** What a producer asks to be done to an episode's words by listening. */
public enum WordsWork {
  /** Recognise them anew; words that stay the same keep their identity. */
  RECOGNISE,
  /** Time the text against the sound. */
  TIME,
  /** Propose who speaks, by voice. */
  VOICES
}
