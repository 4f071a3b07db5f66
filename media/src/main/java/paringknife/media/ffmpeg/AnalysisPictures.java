package paringknife.media.ffmpeg;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import paringknife.core.frame.FaceSample;
import paringknife.media.faces.FaceReading;
import paringknife.media.process.ChildProcess;
import paringknife.media.process.Interrupted;
import paringknife.media.process.ProcessFailed;

/** The small pictures in which faces are looked for: {@value #WIDTH} pixels wide, five a second. */
public final class AnalysisPictures {
  static final int WIDTH = 640;
  static final double PER_SECOND = 5;

  private final Recording recording;

  public AnalysisPictures(Recording recording) {
    this.recording = recording;
  }

  int height() {
    Recording.Picture picture = recording.picture();
    double ratio = picture == null ? 9 / 16.0 : picture.height() / (double) picture.width();
    return Math.max(2, 2 * (int) Math.round(WIDTH * ratio / 2));
  }

  /** The filters that make them. */
  String filters() {
    return "fps=" + PER_SECOND + ":start_time=0,scale=" + WIDTH + ":" + height() + ":flags=area,format=rgb24";
  }

  List<FaceSample> read(InputStream pictures) throws IOException {
    return new FaceReading(WIDTH, height(), PER_SECOND).read(pictures);
  }

  /** Faces of a whole recording, without taking it in. */
  public List<FaceSample> faces() {
    if (recording.picture() == null) {
      throw new UnusableRecording(recording.file().getFileName() + " has no picture.");
    }
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-v", "error"));
    command.addAll(Input.safety());
    command.addAll(
        List.of("-i", Input.argument(recording.file()), "-map", "0:v:0", "-vf", filters(), "-f", "rawvideo", "pipe:1"));
    try {
      Process process = new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD).start();
      Thread killer = ChildProcess.killAfter(process, Duration.ofSeconds(120 + recording.durationUs() / 500_000));
      List<FaceSample> samples = read(process.getInputStream());
      int exit = process.waitFor();
      killer.interrupt();
      if (exit != 0) {
        throw new ProcessFailed("ffmpeg", exit, "the picture could not be read through");
      }
      return samples;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new Interrupted();
    }
  }
}
