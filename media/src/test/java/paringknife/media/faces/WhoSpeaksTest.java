package paringknife.media.faces;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import paringknife.core.frame.CameraPlanner;
import paringknife.core.frame.Framed;
import paringknife.core.frame.Layout;
import paringknife.core.frame.PlannedFrame;
import paringknife.core.frame.Shape;
import paringknife.core.frame.people.PeopleTracker;
import paringknife.core.frame.people.Person;
import paringknife.core.pare.Pared;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/** Whoever speaks of two real faces is seen in at least 95 % of the frames in which one does. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class WhoSpeaksTest {
  private static final int SECONDS = 120;
  private static final long FRAME_US = 40_000;
  private static final long WORD_US = 400_000;
  private static final double LEAST = 0.95;
  private static final Shape UPRIGHT = new Shape(9, 16);

  private final TalkingPortraits film = new TalkingPortraits(7);
  private List<Person> people = List.of();

  @BeforeAll
  void look() throws IOException {
    ByteArrayOutputStream pictures = new ByteArrayOutputStream();
    for (byte[] picture : film.pictures(SECONDS)) {
      pictures.write(picture);
    }
    people =
        PeopleTracker.people(
            new FaceReading(
                    TalkingPortraits.WIDTH, TalkingPortraits.HEIGHT, TalkingPortraits.PER_SECOND)
                .read(new ByteArrayInputStream(pictures.toByteArray())));
  }

  @AfterAll
  void close() {
    film.close();
  }

  @Test
  void ofATranscriptWithoutSpeakers() {
    assertThat(people.size()).isEqualTo(2);
    assertThat(right(words(false))).isGreaterThanOrEqualTo(LEAST);
  }

  @Test
  void ofATranscriptWithSpeakers() {
    assertThat(right(words(true))).isGreaterThanOrEqualTo(LEAST);
  }

  @Test
  void withoutATranscript() {
    assertThat(right(new Transcript("en", List.of(), List.of()))).isGreaterThanOrEqualTo(LEAST);
  }

  private Transcript words(boolean named) {
    List<Word> words = new ArrayList<>();
    for (TalkingPortraits.Turn turn : film.turns()) {
      for (long us = turn.span().startUs(); us < turn.span().endUs(); us += WORD_US) {
        words.add(
            new Word(
                words.size() + 1L,
                "word",
                us,
                Math.min(turn.span().endUs(), us + WORD_US),
                named ? turn.person() : -1,
                1));
      }
    }
    return new Transcript("en", named ? List.of("One", "Two") : List.of(), words);
  }

  /** The share of the frames in which one speaks that show who does. */
  private double right(Transcript transcript) {
    Pared whole = Pared.of(List.of(new Span(0, SECONDS * 1_000_000L)));
    List<PlannedFrame> frames =
        CameraPlanner.of(TalkingPortraits.WIDTH, TalkingPortraits.HEIGHT, people, transcript)
            .plan(
                whole.stretches(),
                whole.cuts(transcript),
                Framed.of(UPRIGHT, Layout.SPEAKER),
                UPRIGHT);
    int all = 0;
    int right = 0;
    for (TalkingPortraits.Turn turn : film.turns()) {
      for (long us = turn.span().startUs(); us < turn.span().endUs(); us += FRAME_US) {
        long now = us;
        all++;
        right +=
            frames.stream()
                .filter(f -> f.span().contains(now))
                .filter(f -> f.first().person() == turn.person())
                .count();
      }
    }
    return right / (double) all;
  }
}
