package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.Means;
import paringknife.core.formats.PlainText;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.PauseSettings;
import paringknife.core.listen.RoomToneFinder;
import paringknife.core.listen.SampleSource;
import paringknife.core.listen.SoundJoiner;
import paringknife.core.listen.SoundPlan;
import paringknife.core.pare.PareEditor;
import paringknife.core.pare.Pared;
import paringknife.core.pare.SoundPlanner;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.media.ffmpeg.Levels;
import paringknife.media.speech.ForcedAligner;

/**
 * What joins sound like, measured on real read speech (public domain, Debian's {@code
 * pocketsphinx-testdata}) timed by the aligner: nothing of a word that stays is lost, no step, no
 * jump of the room's noise.
 */
class JoinsTest {
  private static final Path READ_SPEECH = Path.of("/usr/share/pocketsphinx/test/data/librivox");
  private static final int RATE = SampleSource.SAMPLE_RATE;
  private static final int MS = RATE / 1000;

  @TempDir static Path folder;

  private static Path file;
  private static Sound sound;
  private static Transcript transcript;
  private static LevelCurve levels;
  private static PareEditor editor;
  private static Pared whole;

  @BeforeAll
  static void align() throws Exception {
    String line = Files.readAllLines(READ_SPEECH.resolve("transcription")).get(0);
    file = READ_SPEECH.resolve(line.replaceAll(".*\\((.*)\\)$", "$1") + ".wav");
    String said = line.replaceAll("</?s>", "").replaceAll("\\(.*", "").strip();
    transcript =
        new ForcedAligner().align(file, PlainText.read(said, 1_000_000), share -> {}).transcript();
    sound = Sound.of(file);
    levels = Levels.of(file);
    editor = new PareEditor(transcript, levels);
    whole = clip(levels.durationUs());
  }

  private static Pared clip(long endUs) {
    return Pared.of(List.of(new Span(0, endUs)));
  }

  /** Pares words here and there, and the pauses, differently each time. */
  private static Pared pared(int seed) {
    Random random = new Random(seed);
    Pared clip = whole;
    int words = transcript.words().size();
    for (int at = random.nextInt(4); at < words - 1; at += 3 + random.nextInt(6)) {
      clip = editor.pareWords(clip, at, Math.min(words - 1, at + random.nextInt(3)));
    }
    return editor.parePauses(clip, new PauseSettings(-38, 200_000, 20_000, 100_000));
  }

  private static boolean stays(CutList cuts, Word word) {
    return cuts.kept().stream().anyMatch(k -> k.contains(word.span().middleUs()));
  }

  @Test
  void noWordThatStaysLosesMoreThanTenMillisecondsOfVoicedSound() {
    int joins = 0;
    for (int seed = 0; seed < 12; seed++) {
      CutList cuts = pared(seed).cuts(transcript);
      joins += cuts.kept().size() - 1;
      for (Word word : transcript.words()) {
        if (!stays(cuts, word)) {
          continue;
        }
        int lost = 0;
        for (long us = word.startUs(); us + 10_000 <= word.endUs(); us += 10_000) {
          long middle = us + 5_000;
          if (sound.isVoiced((int) SoundJoiner.momentAt(us))
              && cuts.kept().stream().noneMatch(k -> k.contains(middle))) {
            lost += 10;
          }
        }
        assertThat(lost).as(word.text()).isLessThanOrEqualTo(10);
      }
    }
    assertThat(joins).isGreaterThan(40);
  }

  @Test
  void noJoinAddsAStepAboveTheSignalsOwn() {
    for (int seed = 0; seed < 12; seed++) {
      CutList cuts = pared(seed).cuts(transcript);
      Sound joined = new Sound(new SoundJoiner(sound, SoundPlan.of(cuts.kept())).whole());
      long[] starts = cuts.startsUs();
      for (int i = 1; i < starts.length; i++) {
        int at = (int) SoundJoiner.momentAt(starts[i]);
        int before = (int) SoundJoiner.momentAt(cuts.kept().get(i - 1).endUs());
        int after = (int) SoundJoiner.momentAt(cuts.kept().get(i).startUs());
        double own =
            Math.max(
                sound.highestStep(before - 60 * MS, before + 10 * MS),
                sound.highestStep(after - 10 * MS, after + 60 * MS));
        assertThat(joined.highestStep(at - 6 * MS, at + 6 * MS))
            .as("join " + i)
            .isLessThanOrEqualTo(own * 1.02 + 1e-4);
      }
    }
  }

  /** A hard cut, without fades, does add steps: the measure can tell. */
  @Test
  void aHardCutWouldBeFound() {
    double worst = 0;
    CutList cuts = pared(3).cuts(transcript);
    for (int i = 1; i < cuts.kept().size(); i++) {
      int before =
          (int)
              SoundJoiner.momentAt(
                  whole.stretches().get(0).startUs() + cuts.kept().get(i - 1).middleUs());
      int after = (int) SoundJoiner.momentAt(cuts.kept().get(i).middleUs());
      double own =
          Math.max(
              sound.highestStep(before - 60 * MS, before),
              sound.highestStep(after, after + 60 * MS));
      worst = Math.max(worst, Math.abs(sound.left(before) - sound.left(after)) / own);
    }
    assertThat(worst).isGreaterThan(1.02);
  }

  /**
   * Two halves of a recording of which one is much noisier, joined over a cut: without room tone
   * the floor jumps, with it the jump stays within 3 dB and glides away.
   */
  @Test
  void theNoiseFloorStaysWithinThreeDecibelsOverAJoin() {
    for (boolean noisyFirst : List.of(true, false)) {
      Path uneven = folder.resolve(noisyFirst + ".wav");
      String noise = "anoisesrc=color=pink:seed=7:amplitude=0.15:sample_rate=48000";
      long pause = 3_000_000;
      long length = levels.durationUs() + pause;
      String quiet = "[0:a]aresample=48000,apad=pad_dur=3[q]";
      String mixed =
          "[1:a]aresample=48000,apad=pad_dur=3[s];[s][2:a]amix=inputs=2:normalize=0:duration=first[n]";
      SampleMedia.ffmpeg(
          "-i",
          file.toString(),
          "-i",
          file.toString(),
          "-f",
          "lavfi",
          "-i",
          noise,
          "-f",
          "lavfi",
          "-i",
          "anoisesrc=color=pink:seed=3:amplitude=0.003:sample_rate=48000",
          "-filter_complex",
          quiet
              + ";"
              + mixed
              + ";"
              + (noisyFirst ? "[n][q]" : "[q][n]")
              + "concat=n=2:v=0:a=1[c];[c][3:a]amix=inputs=2:normalize=0:duration=first[o]",
          "-map",
          "[o]",
          uneven.toString());
      Sound heard = Sound.of(uneven);
      List<Word> words = new ArrayList<>(transcript.words());
      for (Word word : transcript.words()) {
        words.add(
            new Word(
                words.size(), word.text(), word.startUs() + length, word.endUs() + length, 0, 1));
      }
      Transcript twice = new Transcript("en", List.of("Reader"), words);
      LevelCurve curve = Levels.of(uneven);
      PareEditor twiceEditor = new PareEditor(twice, curve);
      int first = transcript.words().size();
      Pared cut = twiceEditor.pareWords(clip(2 * length), first, twice.words().size() - 2);
      Pared clip =
          twiceEditor.moveCut(
              cut,
              cut.removals().get(0).id(),
              new Span(levels.durationUs() + pause / 2, 2 * length - pause / 2));
      CutList cuts = clip.cuts(twice);
      assertThat(cuts.kept()).hasSize(2);
      SoundPlan plan = new SoundPlanner(new RoomToneFinder(curve, twice)).plan(clip, cuts);
      int at = (int) SoundJoiner.momentAt(cuts.startsUs()[1]);
      assertThat(jump(new Sound(new SoundJoiner(heard, SoundPlan.of(cuts.kept())).whole()), at))
          .as("without")
          .isGreaterThan(6);
      assertThat(jump(new Sound(new SoundJoiner(heard, plan).whole()), at))
          .as("with")
          .isLessThanOrEqualTo(3);
    }
  }

  /** How far the floors of the half seconds before and after a moment differ, dB. */
  private static double jump(Sound sound, int at) {
    return Math.abs(sound.floorDb(at - RATE / 2, at) - sound.floorDb(at, at + RATE / 2));
  }

  /**
   * Room tone in place of a word is as loud as the room around it, and has no step at its edges.
   */
  @Test
  void roomToneIsTheRoom() {
    int checked = 0;
    for (int word = 2; word < transcript.words().size() - 2; word += 3) {
      Pared clip = editor.treatWords(whole, word, word, Means.ROOM_TONE);
      Span gone = clip.removals().get(0).span();
      SoundPlan plan =
          new SoundPlanner(new RoomToneFinder(levels, transcript))
              .plan(clip, clip.cuts(transcript));
      Sound heard = new Sound(new SoundJoiner(sound, plan).whole());
      assertThat(heard.moments()).isEqualTo((int) SoundJoiner.momentAt(levels.durationUs()));
      int from = (int) SoundJoiner.momentAt(gone.startUs());
      int to = (int) SoundJoiner.momentAt(gone.endUs());
      assertThat(heard.rmsDb(from + 10 * MS, to - 10 * MS))
          .as(transcript.words().get(word).text())
          .isLessThan(sound.floorDb(0, sound.moments()) + 6);
      assertThat(heard.rmsDb(from + 10 * MS, to - 10 * MS))
          .as("not dead silence")
          .isGreaterThan(-100);
      assertThat(heard.highestStep(from - 6 * MS, from + 6 * MS))
          .isLessThanOrEqualTo(sound.highestStep(from - 60 * MS, from + 60 * MS) * 1.02 + 1e-4);
      checked++;
    }
    assertThat(checked).isGreaterThan(5);
  }
}
