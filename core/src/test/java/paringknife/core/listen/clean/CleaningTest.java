package paringknife.core.listen.clean;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.RoomToneFinder;
import paringknife.core.listen.SampleSource;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

class CleaningTest {
  private static final int RATE = SampleSource.SAMPLE_RATE;

  private static float[] tone(double hertz, double amplitude, double seconds) {
    float[] sound = new float[(int) (seconds * RATE)];
    for (int i = 0; i < sound.length; i++) {
      sound[i] = (float) (amplitude * Math.sin(2 * Math.PI * hertz * i / RATE));
    }
    return sound;
  }

  private static float[] noise(double amplitude, double seconds, int seed) {
    Random random = new Random(seed);
    float[] sound = new float[(int) (seconds * RATE)];
    for (int i = 0; i < sound.length; i++) {
      sound[i] = (float) (amplitude * random.nextGaussian());
    }
    return sound;
  }

  private static float[] mixed(float[]... sounds) {
    float[] mix = new float[sounds[0].length];
    for (float[] sound : sounds) {
      for (int i = 0; i < mix.length; i++) {
        mix[i] += sound[i];
      }
    }
    return mix;
  }

  private static double db(float[] sound, double from, double to) {
    double sum = 0;
    for (int i = (int) (from * RATE); i < to * RATE; i++) {
      sum += sound[i] * sound[i];
    }
    return 10 * Math.log10(sum / ((to - from) * RATE) + 1e-20);
  }

  @Test
  void humAndRumbleGoAndTheVoiceStays() {
    MainsHum hum = new MainsHum(List.of(50.0, 100.0, 150.0));
    for (double hertz : hum.hertz()) {
      float[] only = tone(hertz, 0.05, 4);
      double before = db(only, 2, 4);
      HumFilter.apply(only, hum, RATE);
      assertThat(db(only, 2, 4)).as("%s Hz", hertz).isLessThan(before - 40);
    }
    float[] rumble = tone(25, 0.1, 3);
    double rumbled = db(rumble, 2, 3);
    HumFilter.apply(rumble, hum, RATE);
    double octaves = Math.log(HumFilter.RUMBLE_HZ / 25) / Math.log(2);
    assertThat(db(rumble, 2, 3) - rumbled)
        .as("24 dB an octave")
        .isCloseTo(-24 * octaves, within(1.5));
    float[] voice = tone(440, 0.2, 3);
    double spoken = db(voice, 2, 3);
    HumFilter.apply(voice, hum, RATE);
    assertThat(db(voice, 2, 3)).isCloseTo(spoken, within(0.1));
  }

  @Test
  void noiseIsHeldDownAsFarAsItMayAndWhatIsSaidIsNot() {
    NoiseReduction reduction = new NoiseReduction();
    double[] profile = reduction.profile(noise(0.003, 2, 1));
    float[] room = noise(0.003, 4, 2);
    double before = db(room, 1, 3);
    reduction.apply(room, profile);
    assertThat(db(room, 1, 3) - before)
        .isBetween(-NoiseReduction.MOST_DB - 0.1, -NoiseReduction.MOST_DB + 3);
    float[] said = mixed(noise(0.003, 4, 3), tone(700, 0.2, 4));
    double loud = db(said, 1, 3);
    reduction.apply(said, profile);
    assertThat(db(said, 1, 3)).isCloseTo(loud, within(0.3));
  }

  @Test
  void withoutNoiseNothingChanges() {
    float[] said = mixed(tone(300, 0.2, 2), tone(2_300, 0.1, 2));
    float[] cleaned = said.clone();
    new NoiseReduction().apply(cleaned, new NoiseReduction().profile(new float[0]));
    double apart = 0;
    for (int i = RATE / 10; i < said.length - RATE / 10; i++) {
      apart = Math.max(apart, Math.abs(said[i] - cleaned[i]));
    }
    assertThat(apart).isLessThan(1e-4);
  }

  @Test
  void aSharpSIsSoftenedAndOnlyThat() {
    float[] said = mixed(tone(400, 0.2, 3), tone(300, 0.1, 3));
    float[] sharp = tone(8_000, 0.2, 3);
    Arrays.fill(sharp, 0, RATE, 0);
    Arrays.fill(sharp, (int) (1.3 * RATE), sharp.length, 0);
    float[] softened = mixed(said, sharp);
    DeEsser.apply(softened, RATE);
    float[] left = new float[said.length];
    for (int i = 0; i < left.length; i++) {
      left[i] = softened[i] - said[i];
    }
    double softer = db(left, 1.05, 1.25) - db(sharp, 1.05, 1.25);
    assertThat(softer).isBetween(-DeEsser.MOST_DB - 1.0, -7.0);
    float[] plain = mixed(said, tone(8_000, 0.01, 3));
    float[] same = plain.clone();
    DeEsser.apply(same, RATE);
    double apart = 0;
    for (int i = RATE; i < same.length; i++) {
      apart = Math.max(apart, Math.abs(same[i] - plain[i]));
    }
    assertThat(apart).isLessThan(1e-9);
  }

  private static LevelCurve spoken(float... perSecond) {
    float[] dbfs = new float[perSecond.length * 100];
    for (int s = 0; s < perSecond.length; s++) {
      Arrays.fill(dbfs, s * 100, s * 100 + 100, perSecond[s]);
    }
    return new LevelCurve(dbfs);
  }

  @Test
  void softSpeechComesUpLoudSpeechComesDownAndTheRoomStays() {
    float[] levels = new float[40];
    for (int s = 0; s < 40; s++) {
      levels[s] = s < 10 ? -20 : s < 18 ? -32 : s < 26 ? -14 : s < 34 ? -20 : -70;
    }
    Evenness evenness = new Evenness(spoken(levels));
    assertThat(evenness.gainDb(14_000_000)).as("soft").isBetween(6.0, Evenness.MOST_DB);
    assertThat(evenness.gainDb(22_000_000)).as("loud").isBetween(-6.0, -3.0);
    assertThat(evenness.gainDb(5_000_000)).as("as usual").isCloseTo(0, within(0.1));
    assertThat(evenness.gainDb(38_000_000)).as("the room").isZero();
    for (long us = 0; us < 40_000_000; us += 100_000) {
      assertThat(Math.abs(evenness.gainDb(us))).isLessThanOrEqualTo(Evenness.MOST_DB);
      assertThat(Math.abs(evenness.gainDb(us + 100_000) - evenness.gainDb(us)))
          .as("a slow gain, at %s", us)
          .isLessThan(1.0);
    }
  }

  @Test
  void silenceAndDigitalSilenceAreNotLifted() {
    assertThat(new Evenness(spoken(-120, -120, -120)).gainDb(1_500_000)).isZero();
    assertThat(new Evenness(new LevelCurve(new float[0])).gainDb(0)).isZero();
  }

  private static final Transcript TALK =
      new Transcript(
          "en",
          List.of("Ada"),
          List.of(
              new Word(0, "One", 1_000_000, 4_000_000, 0, 1),
              new Word(1, "two.", 6_000_000, 11_000_000, 0, 1)));

  /** Twelve seconds: two words of tones with hum and noise all the while. */
  private static SampleSource recording(boolean stereo) {
    float[] left = mixed(noise(0.002, 12, 5), tone(100, 0.02, 12));
    float[] voice = mixed(tone(350, 0.15, 12), tone(7_500, 0.05, 12));
    for (Word word : TALK.words()) {
      for (int i = (int) (word.startUs() * RATE / 1_000_000);
          i < word.endUs() * RATE / 1_000_000;
          i++) {
        left[i] += voice[i];
      }
    }
    return (from, frames) -> {
      float[] out = new float[frames * 2];
      for (int i = 0; i < frames; i++) {
        long at = from + i;
        if (at >= 0 && at < left.length) {
          out[2 * i] = left[(int) at];
          out[2 * i + 1] = stereo ? left[(int) at] * 0.5f : left[(int) at];
        }
      }
      return out;
    };
  }

  private static LevelCurve levels() {
    LevelCurve.Collector collector = new LevelCurve.Collector(RATE);
    float[] sound = recording(false).read(0, 12 * RATE);
    for (int i = 0; i < sound.length; i += 2) {
      collector.add(sound[i]);
    }
    return collector.finish();
  }

  private static SampleSource cleaned(boolean stereo) {
    LevelCurve levels = levels();
    return new Cleaning(levels, new RoomToneFinder(levels, TALK))
        .clean(recording(stereo), new Cleanup(true, true, true, true));
  }

  @Test
  void anyPartSoundsTheSameWhateverElseWasAskedFor() {
    float[] whole = cleaned(false).read(0, 12 * RATE);
    SampleSource other = cleaned(false);
    for (int from : new int[] {9 * RATE + 17, 3_999, 4 * RATE - 200, 0}) {
      float[] part = other.read(from, 5_000);
      assertThat(Arrays.mismatch(part, Arrays.copyOfRange(whole, 2 * from, 2 * from + 10_000)))
          .as("first sample that differs, from %s", from)
          .isEqualTo(-1);
    }
  }

  @Test
  void channelsAreCleanedEachForItself() {
    float[] alike = cleaned(false).read(2 * RATE, RATE);
    float[] apart = cleaned(true).read(2 * RATE, RATE);
    double left = 0;
    double right = 0;
    for (int i = 0; i < alike.length; i += 2) {
      assertThat(alike[i]).isEqualTo(alike[i + 1]);
      left += apart[i] * apart[i];
      right += apart[i + 1] * apart[i + 1];
    }
    assertThat(10 * Math.log10(left / right)).isCloseTo(20 * Math.log10(2), within(0.5));
  }

  @Test
  void theRoomBetweenTheWordsIsQuieterAndNothingAskedForChangesNothing() {
    float[] before = recording(false).read(4_300 * RATE / 1_000, RATE);
    float[] after = cleaned(false).read(4_300 * RATE / 1_000, RATE);
    assertThat(rms(after)).isLessThan(rms(before) - 15);
    SampleSource source = recording(false);
    assertThat(
            new Cleaning(levels(), new RoomToneFinder(levels(), TALK)).clean(source, Cleanup.NONE))
        .isSameAs(source);
  }

  private static double rms(float[] sound) {
    double sum = 0;
    for (float x : sound) {
      sum += x * x;
    }
    return 10 * Math.log10(sum / sound.length);
  }
}
