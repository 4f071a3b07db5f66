package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.formats.PlainText;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.PauseDetector;
import paringknife.core.listen.PauseSettings;
import paringknife.core.listen.PauseSound;
import paringknife.core.listen.RoomToneFinder;
import paringknife.core.listen.SampleSource;
import paringknife.core.listen.clean.Cleaning;
import paringknife.core.listen.clean.Cleanup;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.media.ffmpeg.Levels;
import paringknife.media.process.ChildProcess;
import paringknife.media.speech.ForcedAligner;

/**
 * Cleaning a voice, on real read speech (public domain, Debian's {@code pocketsphinx-testdata})
 * with hum, rumble and noise added by ffmpeg, so that what should come back is known. Levels are
 * measured by ffmpeg; noise reduction is held against ffmpeg's {@code afftdn} on the same sound.
 */
class VoiceCleanupTest {
  private static final Path READ_SPEECH = Path.of("/usr/share/pocketsphinx/test/data/librivox");
  private static final Cleanup HUM = new Cleanup(true, false, false, false);
  private static final Cleanup NOISE = new Cleanup(false, true, false, false);
  private static final Cleanup EVEN = new Cleanup(false, false, true, false);
  private static final Cleanup SIBILANCE = new Cleanup(false, false, false, true);
  private static final Cleanup ALL = new Cleanup(true, true, true, true);

  @TempDir static Path folder;

  private static Path voice;
  private static Transcript transcript;

  /** The reader with a second and a half of room before and after. */
  @BeforeAll
  static void read() throws Exception {
    String line = Files.readAllLines(READ_SPEECH.resolve("transcription")).get(0);
    Path file = READ_SPEECH.resolve(line.replaceAll(".*\\((.*)\\)$", "$1") + ".wav");
    String said = line.replaceAll("</?s>", "").replaceAll("\\(.*", "").strip();
    voice = folder.resolve("voice.wav");
    SampleMedia.ffmpeg(
        "-i",
        file.toString(),
        "-af",
        "aresample=48000,adelay=1500,apad=pad_dur=1.5,pan=stereo|c0=c0|c1=c0",
        voice.toString());
    List<Word> words = new ArrayList<>();
    for (Word word :
        new ForcedAligner()
            .align(file, PlainText.read(said, 1_000_000), share -> {})
            .transcript()
            .words()) {
      words.add(
          new Word(
              words.size(),
              word.text(),
              word.startUs() + 1_500_000,
              word.endUs() + 1_500_000,
              0,
              1));
    }
    transcript = new Transcript("en", List.of("Reader"), words);
  }

  private static Path with(String name, String added) {
    Path file = folder.resolve(name + ".wav");
    SampleMedia.ffmpeg(
        "-i",
        voice.toString(),
        "-f",
        "lavfi",
        "-i",
        added,
        "-filter_complex",
        "[1:a]pan=stereo|c0=c0|c1=c0[n];[0:a][n]amix=inputs=2:normalize=0:duration=first",
        "-c:a",
        "pcm_f32le",
        file.toString());
    return file;
  }

  private static SampleSource cleaner(Path file, Sound sound, Cleanup asked) {
    LevelCurve levels = Levels.of(file);
    return new Cleaning(levels, new RoomToneFinder(levels, transcript)).clean(sound, asked);
  }

  private static Path cleaned(Path file, Cleanup asked) {
    Sound sound = Sound.of(file);
    return write(sound.through(cleaner(file, sound, asked)), file.getFileName() + "-cleaned");
  }

  private static Path write(Sound sound, String name) {
    ByteBuffer bytes =
        ByteBuffer.allocate(sound.samples().length * Float.BYTES).order(ByteOrder.LITTLE_ENDIAN);
    bytes.asFloatBuffer().put(sound.samples());
    Path raw = folder.resolve(name + ".f32");
    Path wav = folder.resolve(name + ".wav");
    try {
      Files.write(raw, bytes.array());
    } catch (java.io.IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
    SampleMedia.ffmpeg(
        "-f",
        "f32le",
        "-ar",
        "48000",
        "-ac",
        "2",
        "-i",
        raw.toString(),
        "-c:a",
        "pcm_f32le",
        wav.toString());
    return wav;
  }

  /** Mean level after a filter, dBFS, by ffmpeg's {@code volumedetect}. */
  private static double level(Path file, String filter) {
    String said =
        ChildProcess.run(
                List.of(
                    "ffmpeg",
                    "-nostdin",
                    "-i",
                    file.toString(),
                    "-af",
                    filter + ",volumedetect",
                    "-f",
                    "null",
                    "-"),
                null,
                Duration.ofMinutes(1))
            .errors();
    Matcher mean = Pattern.compile("mean_volume: (-?[\\d.]+) dB").matcher(said);
    assertThat(mean.find()).isTrue();
    return Double.parseDouble(mean.group(1));
  }

  @Test
  void humAndRumbleGoAndTheVoiceStays() {
    for (int mains : new int[] {50, 60}) {
      Path humming =
          with(
              "hum" + mains,
              String.format(
                  Locale.ROOT,
                  "aevalsrc='0.03*sin(2*PI*%d*t)+0.015*sin(2*PI*%d*t)+0.01*sin(2*PI*%d*t)+0.05*sin(2*PI*23*t)':s=48000",
                  mains,
                  2 * mains,
                  3 * mains));
      Path clean = cleaned(humming, HUM);
      String start = "atrim=start=0.3:end=1.4,";
      for (int harmonic = 1; harmonic <= 3; harmonic++) {
        String band = start + "bandpass=f=" + harmonic * mains + ":width_type=h:w=6";
        assertThat(level(clean, band))
            .as(harmonic * mains + " Hz")
            .isLessThan(level(humming, band) - 15);
      }
      assertThat(level(clean, start + "lowpass=f=30"))
          .isLessThan(level(humming, start + "lowpass=f=30") - 20);
      String speech = "highpass=f=300,highpass=f=300,lowpass=f=4000";
      assertThat(level(clean, speech)).isCloseTo(level(voice, speech), within(0.5));
    }
  }

  @Test
  void whereThereIsNoHumNoneIsTakenOut() {
    Path clean = cleaned(voice, HUM);
    for (int hertz : new int[] {150, 200, 240, 300}) {
      String band = "bandpass=f=" + hertz + ":width_type=h:w=10";
      assertThat(level(clean, band)).as(hertz + " Hz").isCloseTo(level(voice, band), within(0.7));
    }
  }

  /** Signal to noise against the voice without noise, dB, over the time that is talked. */
  private static double fidelity(Sound clean, Sound truth) {
    double signal = 0;
    double error = 1e-12;
    int from = (int) (transcript.words().get(0).startUs() * 48 / 1000);
    int to = (int) (transcript.words().get(transcript.words().size() - 1).endUs() * 48 / 1000);
    for (int i = from; i < to; i++) {
      signal += truth.left(i) * truth.left(i);
      error += (clean.left(i) - truth.left(i)) * (clean.left(i) - truth.left(i));
    }
    return 10 * Math.log10(signal / error);
  }

  /** The same for a sound that comes a little later, as out of a filter with a delay. */
  private static double fidelityAtBestDelay(Sound clean, Sound truth) {
    double best = Double.NEGATIVE_INFINITY;
    for (int delay = 0; delay < 5_000; delay += 8) {
      best = Math.max(best, fidelity(new Sound(clean.read(delay, truth.moments())), truth));
    }
    return best;
  }

  @Test
  void noiseIsHeldDownAndTheVoiceComesNearerToItself() {
    Sound truth = Sound.of(voice);
    for (double amplitude : new double[] {0.06, 0.2}) {
      Path noisy =
          with("noisy", "anoisesrc=color=pink:seed=11:sample_rate=48000:amplitude=" + amplitude);
      Sound before = Sound.of(noisy);
      Sound ours = Sound.of(cleaned(noisy, NOISE));
      assertThat(before.floorDb(0, 60_000) - ours.floorDb(0, 60_000))
          .as("between words")
          .isGreaterThan(11);
      assertThat(fidelity(ours, truth))
          .isGreaterThan(fidelity(before, truth) + (amplitude > 0.1 ? 3 : 1.2));
      Path reference = folder.resolve("afftdn.wav");
      SampleMedia.ffmpeg(
          "-i",
          noisy.toString(),
          "-af",
          "afftdn=nr=14:tn=1",
          "-c:a",
          "pcm_f32le",
          reference.toString());
      assertThat(fidelity(ours, truth))
          .as("against afftdn")
          .isGreaterThan(fidelityAtBestDelay(Sound.of(reference), truth));
    }
  }

  @Test
  void softAndLoudComeNearerTogether() {
    Path uneven = folder.resolve("uneven.wav");
    double middle =
        (transcript.words().get(0).startUs()
                + transcript.words().get(transcript.words().size() - 1).endUs())
            / 2e6;
    SampleMedia.ffmpeg(
        "-i",
        voice.toString(),
        "-af",
        "volume='if(lt(t," + middle + "),1,0.25)':eval=frame",
        "-c:a",
        "pcm_f32le",
        uneven.toString());
    Path even = cleaned(uneven, EVEN);
    String first = String.format(Locale.ROOT, "atrim=start=1.5:end=%.2f", middle - 1);
    String second =
        String.format(Locale.ROOT, "atrim=start=%.2f:end=%.2f", middle + 1, middle * 2 - 1.5);
    double apart = level(uneven, first) - level(uneven, second);
    assertThat(level(even, first) - level(even, second)).isLessThan(apart - 6);
    assertThat(Sound.of(even).floorDb(0, 48_000))
        .as("the room is not lifted")
        .isLessThan(Sound.of(uneven).floorDb(0, 48_000) + 1);
  }

  @Test
  void sharpSoundsAreSoftenedAndNothingElse() {
    Path sharp =
        with(
            "sharp",
            "aevalsrc='0.25*(random(0)-0.5)*between(mod(t,1.7),0.2,0.32)':s=48000,highpass=f=6000,highpass=f=6000");
    Path soft = cleaned(sharp, SIBILANCE);
    String high = "highpass=f=6000";
    String burst = "atrim=start=3.6:end=3.72," + high;
    assertThat(level(soft, burst)).isLessThan(level(sharp, burst) - 4);
    String low = "lowpass=f=3000";
    assertThat(level(soft, low)).isCloseTo(level(sharp, low), within(0.3));
    assertThat(level(cleaned(voice, SIBILANCE), high))
        .as("an even reader is left alone")
        .isCloseTo(level(voice, high), within(2.5));
  }

  @Test
  void anyPartSoundsAsInTheWhole() {
    Sound sound = Sound.of(voice);
    Sound whole = sound.through(cleaner(voice, sound, ALL));
    SampleSource again = cleaner(voice, sound, ALL);
    for (int from : new int[] {400_000, 479_000, 30_000}) {
      assertThat(again.read(from, 9_000)).containsExactly(whole.read(from, 9_000));
    }
    for (int seam = 192_000; seam < whole.moments(); seam += 192_000) {
      assertThat(whole.highestStep(seam - 2, seam + 2))
          .as("no click between blocks")
          .isLessThanOrEqualTo(sound.highestStep(seam - 2_000, seam + 2_000) * 1.3 + 1e-4);
    }
  }

  /**
   * Rumble that hides every pause from a plain threshold does not hide it from the sound in which
   * pauses are looked for; what is heard stays as it was.
   */
  @Test
  void pausesAreFoundUnderRumble() {
    Path rumbling = with("rumble", "aevalsrc='0.06*sin(2*PI*31*t)+0.03*sin(2*PI*50*t)':s=48000");
    PauseDetector detector = new PauseDetector(new PauseSettings(-38, 400_000, 20_000, 150_000));
    LevelCurve own = Levels.of(rumbling);
    assertThat(detector.quietStretches(own)).isEmpty();
    PauseSound prepared = new PauseSound(48_000);
    Sound sound = Sound.of(rumbling);
    for (int i = 0; i < sound.moments(); i++) {
      prepared.add(sound.left(i));
    }
    List<Span> truth = detector.quietStretches(Levels.of(voice));
    List<Span> found = detector.quietStretches(PauseSound.choose(own, prepared.finish()));
    assertThat(truth).hasSizeGreaterThanOrEqualTo(2);
    assertThat(found).hasSameSizeAs(truth);
    for (int i = 0; i < truth.size(); i++) {
      assertThat(found.get(i).overlapUs(truth.get(i)))
          .isGreaterThan(truth.get(i).lengthUs() * 85 / 100);
    }
    LevelCurve clean = Levels.of(voice);
    assertThat(PauseSound.choose(clean, Levels.of(voice)))
        .as("a clean recording is measured as it is")
        .isSameAs(clean);
  }
}
