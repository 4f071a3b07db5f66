package paringknife.core.steps;

/** Something a producer wants done to a document; each kind belongs to the section it changes. */
public interface Intent {
  /** What undo will call it. */
  String label();

  /** Whether it changes so much at once that the state before is kept as a version. */
  default boolean isSweeping() {
    return false;
  }
}
