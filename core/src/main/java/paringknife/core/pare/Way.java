package paringknife.core.pare;

/**
 * Ways to make a clip shorter, the least harm first; {@link RemovalKind}s know how most are done.
 */
public enum Way {
  /** Pauses of half a second and more. */
  PAUSES,
  /** Words that are always fillers. */
  SURE_FILLERS,
  /** Every attempt but the last. */
  REPEATS,
  /** Shorter pauses too. */
  TIGHTER_PAUSES,
  /** Words that may be fillers. */
  DOUBTFUL_FILLERS,
  /** Playing faster: takes nothing out, and changes how all of it sounds. */
  SPEED;

  /** Whether a batch may take this way although nobody has looked at what goes. */
  public boolean isHarmless() {
    return compareTo(REPEATS) < 0;
  }
}
