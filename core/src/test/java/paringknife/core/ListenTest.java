package paringknife.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.Limiter;
import paringknife.core.listen.LoudnessMeter;
import paringknife.core.listen.LoudnessTarget;
import paringknife.core.listen.Pause;
import paringknife.core.listen.PauseDetector;
import paringknife.core.listen.PauseSettings;
import paringknife.core.listen.SampleSource;
import paringknife.core.listen.SoundJoiner;
import paringknife.core.listen.SoundMeasure;
import paringknife.core.listen.SoundPlan;
import paringknife.core.listen.TruePeakMeter;
import paringknife.core.time.Span;

class ListenTest {
  private static final int RATE = 48_000;

  private static float[] sine(double hertz, double dbfs, double seconds, double phase) {
    float[] out = new float[(int) (seconds * RATE) * 2];
    double amplitude = Math.pow(10, dbfs / 20);
    for (int i = 0; i < out.length / 2; i++) {
      float v = (float) (amplitude * Math.sin(2 * Math.PI * hertz * i / RATE + phase));
      out[2 * i] = v;
      out[2 * i + 1] = v;
    }
    return out;
  }

  /** EBU Tech 3341 (2016), table 1, cases 1 and 2: a stereo 1 kHz sine measures its own level. */
  @ParameterizedTest
  @CsvSource({"-23", "-33"})
  void ebuTech3341Sines(double level) {
    LoudnessMeter meter = new LoudnessMeter(2);
    meter.add(sine(1000, level, 20, 0));
    assertThat(meter.integratedLufs()).isCloseTo(level, within(0.1));
  }

  /** EBU Tech 3341, cases 3 and 4: gating leaves the quiet parts out. */
  @ParameterizedTest
  @CsvSource({"-36,-23,-36,-23", "-72,-23,-72,-23"})
  void ebuTech3341Gating(double before, double middle, double after, double expected) {
    LoudnessMeter meter = new LoudnessMeter(2);
    meter.add(sine(1000, before, 10, 0));
    meter.add(sine(1000, middle, 60, 0));
    meter.add(sine(1000, after, 10, 0));
    assertThat(meter.integratedLufs()).isCloseTo(expected, within(0.1));
  }

  /** EBU Tech 3341, case 16: a sine at a quarter of the rate, sampled 45 degrees off its peaks. */
  @Test
  void ebuTech3341TruePeakBetweenSamples() {
    double peak = TruePeakMeter.dbtp(sine(RATE / 4.0, -6, 1, Math.PI / 4), 2);
    assertThat(peak).isBetween(-6.4, -5.8);
  }

  /** Between two blocks of a loud low tone there is no step, however the sound is handed over. */
  @ParameterizedTest
  @ValueSource(ints = {1, 5, 97, 4_800, 48_000})
  void truePeakIsTheSameInParts(int moments) {
    float[] sound = sine(50, -1, 1, 0.3);
    TruePeakMeter meter = new TruePeakMeter(2);
    for (int at = 0; at < sound.length; at += moments * 2) {
      meter.add(Arrays.copyOfRange(sound, at, Math.min(sound.length, at + moments * 2)));
    }
    assertThat(meter.dbtp()).isEqualTo(TruePeakMeter.dbtp(sound, 2));
  }

  @Test
  void silenceMeasuresAsSilence() {
    LoudnessMeter meter = new LoudnessMeter(2);
    meter.add(new float[RATE * 4]);
    assertThat(meter.integratedLufs()).isEqualTo(LoudnessMeter.SILENCE_LUFS);
  }

  @Test
  void limiterHoldsTheCeilingAndLeavesTheRestAlone() {
    float[] sound = sine(440, -20, 1, 0);
    float[] quiet = sound.clone();
    for (int i = 40_000; i < 40_200; i++) {
      sound[i] *= 9.5f;
    }
    sound = new Limiter(source(sound), 1, -3).read(0, sound.length / 2);
    assertThat(TruePeakMeter.dbtp(sound, 2)).isLessThanOrEqualTo(-2.95);
    for (int i = 0; i < 30_000; i++) {
      assertThat(sound[i]).isEqualTo(quiet[i]);
    }
  }

  @Test
  void loudnessIsBroughtToTarget() {
    SampleSource sound = source(sine(1000, -31, 8, 0));
    SampleSource louder =
        new LoudnessTarget(-14, -1).round(sound, SoundMeasure.of(sound, 8 * RATE));
    SoundMeasure reached = SoundMeasure.of(louder, 8 * RATE);
    assertThat(reached.lufs()).isCloseTo(-14, within(0.2));
    assertThat(reached.truePeakDbtp()).isLessThanOrEqualTo(-0.95);
  }

  @Test
  void joinedSoundHasTheExactLengthAndNoStep() {
    float[] whole = sine(220, -12, 10, 0);
    List<Span> kept =
        List.of(
            new Span(1_000_007, 2_300_011),
            new Span(4_111_113, 4_500_000),
            new Span(7_000_000, 9_123_457));
    SoundJoiner joiner = new SoundJoiner(source(whole), SoundPlan.of(kept));
    float[] out = joiner.whole();
    long us = kept.stream().mapToLong(Span::lengthUs).sum();
    assertThat(out.length / 2).isEqualTo((int) SoundJoiner.momentAt(us));
    double ownStep = 0;
    for (int i = 2; i < whole.length; i += 2) {
      ownStep = Math.max(ownStep, Math.abs(whole[i] - whole[i - 2]));
    }
    for (int i = 2; i < out.length; i += 2) {
      assertThat((double) Math.abs(out[i] - out[i - 2])).isLessThanOrEqualTo(ownStep * 1.6);
    }
  }

  /** Whatever part of a joined sound is read, it is the same as in the whole. */
  @Test
  void anyPartOfAJoinedSoundIsThatOfTheWhole() {
    float[] whole = sine(220, -12, 10, 0);
    SoundPlan plan =
        new SoundPlan(
            List.of(
                new SoundPlan.Recorded(new Span(1_000_007, 1_040_011)),
                new SoundPlan.Tone(new Span(5_000_000, 5_300_000), 333_333),
                new SoundPlan.Recorded(new Span(7_000_000, 9_123_457))),
            List.of(new SoundPlan.Bed(500_000, 400_000, new Span(5_000_000, 5_300_000), 0.5, 0)));
    SoundJoiner joiner = new SoundJoiner(source(whole), plan);
    float[] all = joiner.whole();
    assertThat(all.length / 2).isEqualTo((int) SoundJoiner.momentAt(plan.lengthUs()));
    for (int from = 0; from < all.length / 2; from += 1_237) {
      int frames = Math.min(3_001, all.length / 2 - from);
      assertThat(joiner.read(from, frames))
          .containsExactly(java.util.Arrays.copyOfRange(all, 2 * from, 2 * (from + frames)));
    }
  }

  private static SampleSource source(float[] whole) {
    return (from, frames) -> {
      float[] out = new float[frames * 2];
      for (int i = 0; i < out.length; i++) {
        long at = from * 2 + i;
        out[i] = at >= 0 && at < whole.length ? whole[(int) at] : 0;
      }
      return out;
    };
  }

  @Test
  void pausesLeaveRoomAroundSpeech() {
    Talk talk = new Talk().say("one two").pause(1).say("three");
    Pause pause =
        new PauseDetector(PauseSettings.DEFAULT).pauses(talk.levels(), talk.transcript()).get(1);
    Span spoken = talk.transcript().words().get(1).span();
    assertThat(pause.cut().startUs()).isEqualTo(spoken.endUs() + 150_000);
    assertThat(pause.cut().endUs()).isEqualTo(talk.transcript().words().get(2).startUs() - 20_000);
  }

  @Test
  void aKnockInAPauseBelongsToThePauseAndAWordDoesNot() {
    Talk talk = new Talk().say("one two").pause(1.2).say("three").pause(1.2).say("four");
    float[] dbfs = talk.levels().dbfs();
    int knock = (int) ((talk.transcript().words().get(1).endUs() + 600_000) / LevelCurve.WINDOW_US);
    java.util.Arrays.fill(dbfs, knock, knock + 12, -12);
    List<Pause> pauses =
        new PauseDetector(PauseSettings.DEFAULT).pauses(new LevelCurve(dbfs), talk.transcript());
    assertThat(pauses).filteredOn(p -> p.quiet().contains(knock * LevelCurve.WINDOW_US)).hasSize(1);
    Span three = talk.transcript().words().get(2).span();
    assertThat(pauses).noneMatch(p -> p.cut().overlaps(three));
  }
}
