package paringknife.media.ffmpeg;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.PauseSound;

/** Takes the sound of a recording in: decoded once, it is encoded, kept lossless and measured. */
final class IngestedSound {
  /**
   * What is read from the sound.
   *
   * @param forPauses the level curve to look for pauses in; often the same
   */
  record Curves(LevelCurve own, LevelCurve forPauses) {}

  private final Recording recording;
  private final List<HeardSound> heard;
  private volatile boolean brokenOff;

  /**
   * @param heard what is heard instead of the recording's own sound; empty for that
   */
  IngestedSound(Recording recording, List<HeardSound> heard) {
    this.recording = recording;
    this.heard = heard;
  }

  /**
   * Runs to the end.
   *
   * @param forProxy where the encoded sound goes
   * @param lossless where the lossless 48 kHz stereo sound goes
   */
  Curves run(Path forProxy, Path lossless, Duration limit) {
    Ffmpeg run = Ffmpeg.inBackground();
    if (heard.isEmpty() && !recording.hasSound()) {
      run.made("anullsrc=r=48000:cl=stereo", recording.durationUs() / 1e6);
    } else if (heard.isEmpty()) {
      run.recording(recording.file());
    }
    heard.forEach(other -> run.recording(other.recording().file()));
    run.with("-filter_complex", graph() + ",asplit=3[encoded][lossless][levels]");
    run.with("-map", "[encoded]", "-c:a", "aac", "-aac_coder", "fast", "-b:a", "128k");
    run.with("-ac", channels(), forProxy.toString());
    run.with("-map", "[lossless]", "-c:a", "flac", "-sample_fmt", "s16");
    run.with("-compression_level", "2", lossless.toString());
    run.with("-map", "[levels]", "-f", "s16le", "-c:a", "pcm_s16le", "pipe:1");
    return run.within(limit).read(this::curves);
  }

  /** Ends it soon, from another thread. */
  void breakOff() {
    brokenOff = true;
  }

  private String graph() {
    return heard.isEmpty()
        ? SoundGraph.own("0:a:0", recording.soundChannels())
        : SoundGraph.mixed(heard, 0, recording.durationUs());
  }

  /**
   * One microphone is one channel in the proxy too: encoding it twice takes as long as the picture.
   */
  private String channels() {
    return heard.isEmpty() && recording.soundChannels() == 1 ? "1" : "2";
  }

  private Curves curves(InputStream pcm) throws IOException {
    LevelCurve.Collector collector = new LevelCurve.Collector(48_000);
    PauseSound pauses = new PauseSound(48_000);
    byte[] block = new byte[48_000 * 4];
    ByteBuffer samples = ByteBuffer.wrap(block).order(ByteOrder.LITTLE_ENDIAN);
    for (int read = pcm.readNBytes(block, 0, block.length);
        read > 0;
        read = pcm.readNBytes(block, 0, block.length)) {
      if (brokenOff) {
        throw new IOException("broken off");
      }
      for (int i = 0; i + 4 <= read; i += 4) {
        int left = samples.getShort(i);
        int right = samples.getShort(i + 2);
        collector.add(Math.max(Math.abs(left), Math.abs(right)) / 32768f);
        pauses.add((left + right) / 65536f);
      }
    }
    LevelCurve own = collector.finish();
    return new Curves(own, PauseSound.choose(own, pauses.finish()));
  }
}
