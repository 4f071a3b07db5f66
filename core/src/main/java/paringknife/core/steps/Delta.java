package paringknife.core.steps;

/**
 * The difference between two states of a document, exact and applicable in both directions: undo
 * applies it backwards, redo forwards.
 *
 * @param <T> the document, immutable
 */
public interface Delta<T> {
  /** The state after, from the state before. */
  T forwards(T document);

  /** The state before, from the state after. */
  T backwards(T document);

  boolean changesNothing();
}
