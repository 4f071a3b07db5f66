package paringknife.server.database;

/** Whether this program is being ended: whatever it starts from then on would outlive it. */
final class ProgramEnd {
  private ProgramEnd() {}

  /** As the Java runtime tells: once its end has begun it takes no more hooks for it. */
  static boolean hasBegun() {
    Thread none = new Thread(() -> {});
    try {
      Runtime.getRuntime().addShutdownHook(none);
      Runtime.getRuntime().removeShutdownHook(none);
      return false;
    } catch (IllegalStateException e) {
      return true;
    }
  }
}
