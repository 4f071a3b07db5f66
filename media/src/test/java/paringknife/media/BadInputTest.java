package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.media.ffmpeg.Ingest;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.SoundPicture;
import paringknife.media.ffmpeg.UnusableRecording;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.media.transcripts.UnreadableTranscript;

/** What strangers hand over: each gets a clear refusal, and nothing else is read. */
class BadInputTest {
  @TempDir Path folder;

  @BeforeEach
  void secretBesideIt() throws IOException {
    SampleMedia.ffmpeg(
        "-f", "lavfi", "-i", "sine", "-t", "1", folder.resolve("secret.wav").toString());
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "this is a text",
        "#EXTM3U\n#EXTINF:1,\nsecret.wav\n",
        "ffconcat version 1.0\nfile secret.wav\n"
      })
  void whatIsNoRecordingIsRefused(String content) throws IOException {
    Path file = Files.writeString(folder.resolve("episode.mp4"), content);
    assertThatThrownBy(() -> Probe.of(file))
        .isInstanceOf(UnusableRecording.class)
        .hasMessageContaining("episode.mp4");
  }

  @Test
  void aRecordingThatIsCutOffIsRefused() throws IOException {
    Path whole = folder.resolve("whole.mp4");
    SampleMedia.ffmpeg("-f", "lavfi", "-i", "testsrc2=s=320x180", "-t", "2", whole.toString());
    byte[] bytes = Files.readAllBytes(whole);
    Path half =
        Files.write(folder.resolve("half.mp4"), java.util.Arrays.copyOf(bytes, bytes.length / 2));
    assertThatThrownBy(() -> Probe.of(half)).isInstanceOf(UnusableRecording.class);
  }

  @Test
  void namesThatLookLikeOptionsOrAddressesAreOnlyNames() {
    Path odd = folder.resolve("-i concat:a|b %d 'x'; $(touch y).wav");
    SampleMedia.ffmpeg("-f", "lavfi", "-i", "sine", "-t", "1", "file:" + odd);
    Recording recording = Probe.of(odd);
    assertThat(recording.hasSound()).isTrue();
    assertThat(recording.picture()).isNull();
  }

  @ParameterizedTest
  @ValueSource(strings = {"notes.docx", "words.json", "cues.srt", "cues.vtt", "cues.ttml"})
  void whatIsNoTranscriptIsRefused(String name) {
    assertThatThrownBy(
            () -> TranscriptFile.read(name, "nothing of use".getBytes(StandardCharsets.UTF_8)))
        .isInstanceOf(UnreadableTranscript.class)
        .hasMessageContaining(name);
  }

  @Test
  void wordsOutOfOrderAreMendedAndOtherEncodingsRead() {
    String json =
        "{\"speakers\":[\"A\"],\"words\":[{\"text\":\"b\",\"start\":2,\"end\":1,\"speaker\":0},{\"text\":\"a\",\"start\":1,\"end\":1.5,\"speaker\":7}]}";
    TranscriptFile.Imported read =
        TranscriptFile.read("t.json", json.getBytes(StandardCharsets.UTF_16));
    assertThat(read.transcript().text(0, 2)).isEqualTo("a b");
    assertThat(read.mended()).hasSize(3);
    byte[] latin =
        "1\n00:00:01,000 --> 00:00:02,000\ncaf\u00e9\n".getBytes(StandardCharsets.ISO_8859_1);
    assertThat(TranscriptFile.read("t.srt", latin).transcript().text(0, 1)).isEqualTo("caf\u00e9");
  }

  /** A text of a whole talk beside a piece of it. */
  @Test
  void wordsAfterTheEndOfTheRecordingAreLeftOut() {
    TranscriptFile.Imported whole =
        TranscriptFile.read(
            "talk.srt",
            ("1\n00:00:01,000 --> 00:00:03,000\nThe ice came\n\n"
                    + "2\n00:00:03,000 --> 00:00:05,000\nup early\n\n"
                    + "3\n00:00:09,000 --> 00:00:10,000\nthat year\n")
                .getBytes(StandardCharsets.UTF_8));
    TranscriptFile.Imported piece = whole.within(4_500_000);
    assertThat(piece.transcript().text(0, piece.transcript().words().size()))
        .isEqualTo("The ice came up early");
    assertThat(piece.transcript().words().get(4).endUs()).isEqualTo(4_500_000);
    assertThat(piece.cues()).hasSize(2);
    assertThat(piece.mended())
        .containsExactly("2 words lie after the end of the recording and were left out");
    assertThat(whole.within(20_000_000)).isEqualTo(whole);
    assertThatThrownBy(() -> whole.within(900_000))
        .isInstanceOf(UnreadableTranscript.class)
        .hasMessageContaining("belongs to another one");
  }

  @Test
  void aTextWithoutAWordIsRefusedAndOneWithTagsIsText() {
    assertThatThrownBy(
            () -> TranscriptFile.read("empty.txt", " \n\n ".getBytes(StandardCharsets.UTF_8)))
        .isInstanceOf(UnreadableTranscript.class)
        .hasMessageContaining("no word");
    TranscriptFile.Imported read =
        TranscriptFile.read(
            "talk.txt",
            "Ada: <script>alert(1)</script> hello\n\nBen: yes".getBytes(StandardCharsets.UTF_8));
    assertThat(read.timing()).isEqualTo(TranscriptFile.Timing.NOTHING);
    assertThat(read.transcript().speakers()).containsExactly("Ada", "Ben");
    assertThat(read.transcript().text(0, 2)).isEqualTo("<script>alert(1)</script> hello");
  }

  @Test
  void tenMegabytesOfOverlappingUnorderedCuesAreMended() {
    StringBuilder cues = new StringBuilder();
    for (int i = 0; cues.length() < 10_000_000; i++) {
      int start = (i * 7919) % 36_000;
      cues.append(i)
          .append("\r\n")
          .append(
              String.format(
                  "%02d:%02d:%02d,000 --> %02d:%02d:%02d,500",
                  start / 3600,
                  start / 60 % 60,
                  start % 60,
                  start / 3600,
                  start / 60 % 60,
                  Math.min(59, start % 60 + 3)));
      cues.append("\r\n<i>words number ").append(i).append("</i>\r\n\r\n");
    }
    TranscriptFile.Imported read =
        TranscriptFile.read("long.srt", cues.toString().getBytes(StandardCharsets.UTF_8));
    assertThat(read.mended())
        .anyMatch(m -> m.contains("order"))
        .anyMatch(m -> m.contains("overlapped"));
    assertThat(read.transcript().words().size()).isGreaterThan(100_000);
  }

  /** A phone held upright writes a wide picture and a note to turn it. */
  @Test
  void aRotatedPhonePictureStandsUpright() {
    Path wide = folder.resolve("wide.mp4");
    Path phone = folder.resolve("phone.mov");
    SampleMedia.ffmpeg(
        "-f",
        "lavfi",
        "-i",
        "testsrc2=s=320x180:r=25",
        "-f",
        "lavfi",
        "-i",
        "sine",
        "-t",
        "1",
        wide.toString());
    SampleMedia.ffmpeg(
        "-i", wide.toString(), "-c", "copy", "-metadata:s:v", "rotate=90", phone.toString());
    Recording recording = Probe.of(phone);
    assertThat(recording.picture().width()).isEqualTo(180);
    assertThat(recording.picture().height()).isEqualTo(320);
    Path proxy = folder.resolve("proxy.mp4");
    new Ingest(recording, proxy, folder.resolve("sound.flac")).run(share -> {});
    assertThat(Probe.of(proxy).picture().height()).isGreaterThan(Probe.of(proxy).picture().width());
  }

  /** What can be taken in, however odd: each ends with a proxy, a sound and a level curve. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "one picture only    | one.mp4    | -f lavfi -i testsrc2=s=320x180:r=25 -f lavfi -i sine -frames:v 1 -t 0.04",
        "sound only          | sound.flac | -f lavfi -i sine=r=44100 -t 2",
        "silence             | silent.mp4 | -f lavfi -i testsrc2=s=320x180:r=25 -f lavfi -i anullsrc=r=48000 -t 1",
        "six channels        | six.mkv    | -f lavfi -i testsrc2=s=320x180:r=25 -f lavfi -i anoisesrc=r=48000,aformat=channel_layouts=5.1 -t 1",
        "several sounds      | two.mkv    | -f lavfi -i testsrc2=s=320x180:r=25 -f lavfi -i sine -f lavfi -i sine=f=90:r=44100 -map 0 -map 1 -map 2 -t 2",
        "a lone mp3          | sound.mp3  | -f lavfi -i sine=r=22050 -t 2",
        "webm written live   | live.webm  | -f lavfi -i testsrc2=s=320x180:r=25 -f lavfi -i sine -c:v libvpx -c:a libvorbis -t 1 -live 1",
        "webm                | talk.webm  | -f lavfi -i testsrc2=s=320x180:r=25 -f lavfi -i sine -c:v libvpx -c:a libvorbis -t 1",
        "an odd start time   | late.mkv   | -f lavfi -i testsrc2=s=320x180:r=25 -f lavfi -i sine -t 2 -output_ts_offset 37.3",
        "a changing rate     | changing.mkv | -f lavfi -i testsrc2=s=320x180:r=25 -f lavfi -i sine -t 2 -vf select=not(between(n\\,10\\,20)) -vsync vfr"
      })
  void oddRecordingsAreTakenIn(String what, String name, String arguments) {
    Path odd = folder.resolve(name);
    java.util.List<String> all = new java.util.ArrayList<>(java.util.List.of(arguments.split(" ")));
    all.add(odd.toString());
    SampleMedia.ffmpeg(all.toArray(String[]::new));
    Recording recording = Probe.of(odd);
    Path proxy = folder.resolve("proxy.mp4");
    Path sound = folder.resolve("sound.flac");
    Recording seen =
        recording.picture() == null
            ? Probe.of(SoundPicture.draw(recording, folder.resolve("picture.mkv"), share -> {}))
            : recording;
    Ingest.Result result = new Ingest(seen, proxy, sound).run(share -> {});
    assertThat(result.levels().windows()).as(what).isPositive();
    assertThat(Probe.of(sound).hasSound()).isTrue();
    assertThat(Ingest.thumbnails(proxy)).isNotEmptyDirectory();
    assertThat(Probe.of(proxy).picture()).isNotNull();
    assertThat(Math.abs(Probe.of(proxy).durationUs() - recording.durationUs()))
        .as(what)
        .isLessThanOrEqualTo(120_000);
    assertThat(Math.abs(Probe.of(sound).durationUs() - result.levels().durationUs()))
        .as(what)
        .isLessThanOrEqualTo(20_000);
  }
}
