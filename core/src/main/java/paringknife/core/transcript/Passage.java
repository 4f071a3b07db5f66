package paringknife.core.transcript;

/** A run of words of one speaker: word indexes {@code from} (included) to {@code to} (not). */
public record Passage(int from, int to, int speaker) {
  public int size() {
    return to - from;
  }
}
