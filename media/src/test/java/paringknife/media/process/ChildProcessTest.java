package paringknife.media.process;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ChildProcessTest {
  private static final Duration LONG = Duration.ofMinutes(5);

  @TempDir private Path folder;

  @Test
  void whoeverIsInterruptedLeavesNoProcessBehind() throws Exception {
    AtomicBoolean told = new AtomicBoolean();
    CountDownLatch over = new CountDownLatch(1);
    Thread waiting =
        new Thread(
            () -> {
              try {
                ChildProcess.run(
                    List.of("sh", "-c", "echo $$ > pid; exec sleep 300 > /dev/null"), folder, LONG);
              } catch (Interrupted e) {
                told.set(Thread.currentThread().isInterrupted());
              } finally {
                over.countDown();
              }
            });
    waiting.start();
    Path pid = folder.resolve("pid");
    while (!Files.exists(pid) || Files.size(pid) == 0) {
      Thread.sleep(10);
    }
    ProcessHandle child =
        ProcessHandle.of(Long.parseLong(Files.readString(pid).strip())).orElseThrow();
    waiting.interrupt();
    over.await();
    assertThat(told).isTrue();
    assertThat(child.isAlive()).isFalse();
  }

  @Test
  void theLimitIsToldAsSuch() {
    assertThatThrownBy(
            () -> ChildProcess.run(List.of("sleep", "300"), folder, Duration.ofMillis(50)))
        .isInstanceOf(ProcessFailed.class)
        .hasMessageContaining("took longer");
  }

  @Test
  void aProcessThatWasEndedWritesNothingMore() throws Exception {
    Path written = folder.resolve("written");
    Process writer =
        new ProcessBuilder("sh", "-c", "while true; do echo more >> written; done")
            .directory(folder.toFile())
            .start();
    while (!Files.exists(written)) {
      Thread.sleep(5);
    }
    ChildProcess.end(writer);
    assertThat(writer.isAlive()).isFalse();
    assertThat(writer.toHandle().descendants()).isEmpty();
  }
}
