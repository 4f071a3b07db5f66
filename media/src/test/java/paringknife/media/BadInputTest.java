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
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.UnusableRecording;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.media.transcripts.UnreadableTranscript;

/** What strangers hand over: each gets a clear refusal, and nothing else is read. */
class BadInputTest {
  @TempDir Path folder;

  @BeforeEach
  void secretBesideIt() throws IOException {
    SampleMedia.ffmpeg("-f", "lavfi", "-i", "sine", "-t", "1", folder.resolve("secret.wav").toString());
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "this is a text", "#EXTM3U\n#EXTINF:1,\nsecret.wav\n", "ffconcat version 1.0\nfile secret.wav\n"})
  void whatIsNoRecordingIsRefused(String content) throws IOException {
    Path file = Files.writeString(folder.resolve("episode.mp4"), content);
    assertThatThrownBy(() -> Probe.of(file)).isInstanceOf(UnusableRecording.class).hasMessageContaining("episode.mp4");
  }

  @Test
  void aRecordingThatIsCutOffIsRefused() throws IOException {
    Path whole = folder.resolve("whole.mp4");
    SampleMedia.ffmpeg("-f", "lavfi", "-i", "testsrc2=s=320x180", "-t", "2", whole.toString());
    byte[] bytes = Files.readAllBytes(whole);
    Path half = Files.write(folder.resolve("half.mp4"), java.util.Arrays.copyOf(bytes, bytes.length / 2));
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
  @ValueSource(strings = {"notes.txt", "words.json", "cues.srt"})
  void whatIsNoTranscriptIsRefused(String name) {
    assertThatThrownBy(() -> TranscriptFile.read(name, "nothing of use".getBytes(StandardCharsets.UTF_8)))
        .isInstanceOf(UnreadableTranscript.class)
        .hasMessageContaining(name);
  }

  @Test
  void wordsOutOfOrderAreMendedAndOtherEncodingsRead() {
    String json = "{\"speakers\":[\"A\"],\"words\":[{\"text\":\"b\",\"start\":2,\"end\":1,\"speaker\":0},{\"text\":\"a\",\"start\":1,\"end\":1.5,\"speaker\":7}]}";
    TranscriptFile.Imported read = TranscriptFile.read("t.json", json.getBytes(StandardCharsets.UTF_16));
    assertThat(read.transcript().text(0, 2)).isEqualTo("a b");
    assertThat(read.mended()).hasSize(3);
    byte[] latin = "1\n00:00:01,000 --> 00:00:02,000\ncaf\u00e9\n".getBytes(StandardCharsets.ISO_8859_1);
    assertThat(TranscriptFile.read("t.srt", latin).transcript().text(0, 1)).isEqualTo("caf\u00e9");
  }
}
