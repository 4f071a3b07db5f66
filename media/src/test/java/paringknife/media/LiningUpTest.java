package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.media.ffmpeg.Cameras;
import paringknife.media.ffmpeg.DecodedSound;
import paringknife.media.ffmpeg.HeardSound;
import paringknife.media.ffmpeg.Ingest;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RecordingLineUp;
import paringknife.media.ffmpeg.UnusableRecording;
import paringknife.media.speech.Flite;

/** Real files of speech, made with a known offset, drift, gain and noise by ffmpeg. */
class LiningUpTest {
  private static final String TALK =
      "The tide comes up the creek and fills the pond behind a gate. The gate shuts by itself. Then you wait for the sea to go down. "
          + "Twice a day, every day, an hour later each time, the wheel turns and the stones begin to hum. You never get the same breakfast twice. "
          + "In the winter the ice came up with the water and stopped the wheel in the night. Nobody had told me that a mill can freeze. ";

  /** 48005 for 48000 samples a second: a clock that is fast by 104 parts in a million. */
  private static final double DRIFT = 48_005 / 48_000.0 - 1;

  private static final double LATE_S = 3.217;

  @TempDir static Path folder;
  private static Path camera;
  private static Path microphone;

  @BeforeAll
  static void make() {
    Path talk = folder.resolve("talk.wav");
    new Flite("slt", 1.1)
        .speak(TALK + TALK.replace("the", "this") + TALK.replace("and", "but") + TALK, talk);
    camera = folder.resolve("camera.mp4");
    SampleMedia.ffmpeg(
        "-f",
        "lavfi",
        "-i",
        "testsrc2=s=160x90:r=5",
        "-i",
        talk.toString(),
        "-f",
        "lavfi",
        "-i",
        "anoisesrc=a=0.004:r=48000:seed=4",
        "-filter_complex",
        "[1]adelay=1500:all=1,aresample=48000,volume=0.3[t];[t][2]amix=inputs=2:normalize=0:duration=first[a]",
        "-map",
        "0:v",
        "-map",
        "[a]",
        "-shortest",
        "-c:v",
        "libx264",
        "-preset",
        "ultrafast",
        "-c:a",
        "aac",
        camera.toString());
    microphone = folder.resolve("microphone.wav");
    SampleMedia.ffmpeg(
        "-i",
        talk.toString(),
        "-f",
        "lavfi",
        "-i",
        "anoisesrc=a=0.002:r=48000:seed=9",
        "-filter_complex",
        "[0]adelay=1500:all=1,aresample=48000,atrim=start="
            + LATE_S
            + ",asetpts=PTS-STARTPTS,asetrate=48005,aresample=48000[t];[t][1]amix=inputs=2:normalize=0:duration=first,aformat=sample_fmts=s16[a]",
        "-map",
        "[a]",
        microphone.toString());
  }

  @Test
  void aMicrophoneIsFoundAndHeardWhereTheCameraHeardIt() {
    Recording first = Probe.of(camera);
    List<HeardSound> heard = RecordingLineUp.of(first, List.of(Probe.of(microphone)), folder);
    assertThat(heard.get(0).placement().offsetUs() / 1e6).isCloseTo(LATE_S, within(0.005));
    assertThat(heard.get(0).placement().driftPpm()).isCloseTo(DRIFT * 1e6, within(25.0));
    assertThat(heard.get(0).placement().agreeing()).isGreaterThan(0.7);

    Path sound = folder.resolve("sound.flac");
    new Ingest(Cameras.of(first), heard, folder.resolve("proxy.mp4"), sound).run(share -> {});
    DecodedSound own = DecodedSound.of(first, folder.resolve("own.raw"));
    DecodedSound mixed = DecodedSound.of(Probe.of(sound), folder.resolve("mixed.raw"));
    double seconds = first.durationUs() / 1e6;
    for (double at : new double[] {5, seconds / 2, seconds - 8}) {
      assertThat(
              lag(own.read(Math.round(at * 1e6), 48_000), mixed.read(Math.round(at * 1e6), 48_000)))
          .as("at %s s", at)
          .isCloseTo(0, within(0.005));
    }
    assertThat(Probe.of(sound).durationUs()).isCloseTo(first.durationUs(), within(50_000L));
  }

  /** By plain multiplication, apart from what is tested; seconds that {@code b} is later. */
  private static double lag(float[] a, float[] b) {
    int reach = 800;
    int best = 0;
    double most = Double.NEGATIVE_INFINITY;
    for (int lag = -reach; lag <= reach; lag++) {
      double sum = 0;
      for (int i = reach; i < a.length - reach; i++) {
        sum += a[i] * b[i + lag];
      }
      if (sum > most) {
        most = sum;
        best = lag;
      }
    }
    return best / 16_000.0;
  }

  @Test
  void anotherEventIsRefusedInTheUsersWords() {
    Path other = folder.resolve("other.wav");
    new Flite("rms", 1)
        .speak(
            "A ferry is a promise. You ring the bell and somebody comes. That is all there is to it, and it is a great deal.",
            other);
    assertThatThrownBy(() -> RecordingLineUp.of(Probe.of(camera), List.of(Probe.of(other)), folder))
        .isInstanceOf(UnusableRecording.class)
        .hasMessageContaining("other.wav does not sound like the same event as camera.mp4");
  }
}
