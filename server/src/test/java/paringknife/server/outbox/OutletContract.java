package paringknife.server.outbox;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.deliver.post.PostTexts;
import paringknife.core.frame.Shape;
import paringknife.core.outbox.Rules;
import paringknife.media.process.ChildProcess;

/** What the outbox relies on, whatever stands behind it; a real destination has to pass it too. */
abstract class OutletContract {
  @TempDir Path folder;

  private final String key = UUID.randomUUID().toString();

  /** What is to be tried. */
  abstract Outlet outlet();

  /** A destination of this name answers, or it does not. */
  abstract void answers(String destination, boolean answers);

  private Path film;

  @BeforeEach
  void makeFilm() {
    film = folder.resolve("film.mp4");
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-v",
            "error",
            "-f",
            "lavfi",
            "-i",
            "testsrc2=s=90x160:r=25:d=2",
            "-c:v",
            "libx264",
            "-preset",
            "ultrafast",
            film.toString()),
        null,
        Duration.ofMinutes(1));
    answers("Somewhere", true);
  }

  private static Rules rules(int longestSeconds) {
    return new Rules(List.of(new Shape(9, 16)), longestSeconds, 0, 0, 0, 0);
  }

  private Outlet.Consignment consignment(Rules rules) {
    return new Outlet.Consignment(
        key, "Somewhere", rules, film, new PostTexts("The rope", "What held.", List.of("rope")));
  }

  @Test
  void whatKeepsToTheRulesIsAccepted() {
    Outlet.Answer answer = outlet().post(consignment(rules(3)));
    assertThat(answer).isInstanceOf(Outlet.Answer.Accepted.class);
    assertThat(((Outlet.Answer.Accepted) answer).reference()).isNotBlank();
  }

  @Test
  void whatDoesNotIsRefusedWithEveryReason() {
    Rules narrow = new Rules(List.of(new Shape(16, 9)), 1, 100, 3, 4, 0);
    assertThat(((Outlet.Answer.Refused) outlet().post(consignment(narrow))).reasons())
        .hasSize(5)
        .anyMatch(r -> r.startsWith("too long"))
        .anyMatch(r -> r.startsWith("too large"))
        .anyMatch(r -> r.startsWith("wrong shape"));
  }

  @Test
  void askingTwiceIsAsAskingOnce() {
    Outlet.Answer first = outlet().post(consignment(rules(3)));
    assertThat(outlet().post(consignment(rules(3)))).isEqualTo(first);
    assertThat(outlet().post(consignment(rules(1)))).isEqualTo(first);
  }

  @Test
  void whoDoesNotAnswerIsBusyAndHasTakenNothing() {
    answers("Somewhere", false);
    Outlet.Answer busy = outlet().post(consignment(rules(3)));
    assertThat(((Outlet.Answer.Busy) busy).reason()).isNotBlank();
    answers("Somewhere", true);
    assertThat(outlet().post(consignment(rules(3)))).isInstanceOf(Outlet.Answer.Accepted.class);
  }

  @Test
  void whatIsTakenBackBeforeItComesIsNeverTaken() {
    assertThat(outlet().withdraw(key)).isTrue();
    assertThat(outlet().post(consignment(rules(3)))).isInstanceOf(Outlet.Answer.Refused.class);
  }

  @Test
  void takingBackWaitsForWhoDoesNotAnswerAndCanBeAskedTwice() {
    outlet().post(consignment(rules(3)));
    answers("Somewhere", false);
    assertThat(outlet().withdraw(key)).isFalse();
    answers("Somewhere", true);
    assertThat(outlet().withdraw(key)).isTrue();
    assertThat(outlet().withdraw(key)).isTrue();
    assertThat(outlet().post(consignment(rules(3)))).isInstanceOf(Outlet.Answer.Refused.class);
  }

  @Test
  void whatIsNoFilmIsRefused() throws IOException {
    Files.writeString(film, "no film");
    assertThat(outlet().post(consignment(rules(3)))).isInstanceOf(Outlet.Answer.Refused.class);
  }
}
