package paringknife.server.database;

/**
 * How documents and the steps between them are written down.
 *
 * @param <T> the document
 * @param <D> a step
 */
public interface StepFormat<T, D> {
  String write(T document);

  T document(String text);

  String writeDelta(D delta);

  D delta(String text);
}
