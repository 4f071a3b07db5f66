package paringknife.media.ffmpeg;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.deliver.Codec;
import paringknife.core.deliver.Encoding;
import paringknife.core.time.FrameRate;

/** How ffmpeg is told to encode as a delivery spec wants it. */
final class Encoder {
  /** How far a bit rate may be passed for a moment, and over how many seconds it is held. */
  private static final double PEAK = 1.5;

  private static final double HELD_SECONDS = 2;

  /** With 0 x264 loses nothing, which its profile "high" and most players do not know. */
  private static final int FINEST_H264 = 1;

  /** What SVT-AV1 takes. */
  private static final int MOST_AV1_KBPS = 100_000;

  private final Encoding encoding;
  private final FrameRate rate;

  /**
   * @param rate of the finished picture
   */
  Encoder(Encoding encoding, FrameRate rate) {
    this.encoding = encoding;
    this.rate = rate;
  }

  /** The arguments for a file with a picture. */
  void film(Ffmpeg run) {
    film(run, null);
  }

  /**
   * The arguments for a file with a picture.
   *
   * @param pass which look at the picture this is; null where there is only one
   */
  void film(Ffmpeg run, @Nullable Pass pass) {
    picture(run, pass);
    sound(run);
  }

  /** The arguments for the picture alone. */
  void picture(Ffmpeg run, @Nullable Pass pass) {
    run.with(codec(pass).toArray(String[]::new));
    if (encoding.codec().hasQuality()) {
      run.with(quality(pass).toArray(String[]::new));
    }
    if (encoding.keyframeSeconds() != null) {
      long frames = Math.max(1, Math.round(encoding.keyframeSeconds() * rate.perSecond()));
      run.with("-g", Long.toString(frames));
    }
    run.with("-colorspace", "bt709", "-color_primaries", "bt709", "-color_trc", "bt709");
    run.with("-color_range", "tv");
  }

  private List<String> codec(@Nullable Pass pass) {
    switch (encoding.codec()) {
      case HEVC:
        return List.of(
            "-c:v",
            "libx265",
            "-preset",
            "fast",
            "-tag:v",
            "hvc1",
            "-x265-params",
            "log-level=error" + hevcPass(pass));
      case VP9:
        return List.of("-c:v", "libvpx-vp9", "-deadline", "good", "-cpu-used", "4", "-row-mt", "1");
      case AV1:
        return List.of("-c:v", "libsvtav1", "-preset", "8");
      case VC3:
        return List.of("-c:v", "dnxhd", "-profile:v", "dnxhr_hq", "-pix_fmt", "yuv422p");
      default:
        // With a lookahead thread of its own x264 does not make the same bytes of the same
        // pictures every time (measured: two outcomes in 40 runs; without it one in 104).
        return List.of(
            "-c:v",
            "libx264",
            "-preset",
            "veryfast",
            "-profile:v",
            "high",
            "-x264-params",
            "sync-lookahead=0");
    }
  }

  private static String hevcPass(@Nullable Pass pass) {
    if (pass == null) {
      return "";
    }
    return (pass.spends() ? ":pass=2" : ":pass=1:slow-firstpass=1") + ":stats=" + Pass.LOG;
  }

  private List<String> quality(@Nullable Pass pass) {
    List<String> quality = new ArrayList<>();
    Integer kbps = pass != null && pass.spends() ? pass.kbps() : encoding.pictureKbps();
    if (kbps == null) {
      int finest = encoding.codec() == Codec.H264 ? FINEST_H264 : 0;
      quality.addAll(List.of("-crf", Integer.toString(Math.max(finest, encoding.crf()))));
      if (encoding.codec() == Codec.VP9) {
        quality.addAll(List.of("-b:v", "0"));
      }
    } else {
      int most = encoding.codec() == Codec.AV1 ? MOST_AV1_KBPS : Integer.MAX_VALUE;
      quality.addAll(List.of("-b:v", Math.min(most, kbps) + "k"));
      if (encoding.codec() == Codec.H264 && pass == null) {
        quality.addAll(List.of("-maxrate", Math.round(kbps * PEAK) + "k"));
        quality.addAll(List.of("-bufsize", Math.round(kbps * HELD_SECONDS) + "k"));
      }
    }
    if (pass != null) {
      quality.addAll(notes(pass));
    }
    return quality;
  }

  /** Where what each frame takes is noted, or was. */
  private List<String> notes(Pass pass) {
    String number = pass.spends() ? "2" : "1";
    if (encoding.codec() == Codec.H264) {
      return List.of("-pass", number, "-passlogfile", Pass.LOG, "-fastfirstpass", "0");
    }
    boolean isNoted = encoding.codec() == Codec.VP9 && !pass.equals(Pass.FIRST);
    return isNoted ? List.of("-pass", number, "-passlogfile", Pass.LOG) : List.of();
  }

  /** The arguments for the sound. */
  void sound(Ffmpeg run) {
    sound(run, encoding.soundKbps());
  }

  /**
   * The same at another bit rate.
   *
   * @param soundKbps kilobits a second
   */
  void sound(Ffmpeg run, int soundKbps) {
    String kbps = soundKbps + "k";
    switch (encoding.codec()) {
      case VP9:
        run.with("-c:a", "libopus", "-b:a", kbps);
        break;
      case MP3:
        run.with("-c:a", "libmp3lame", "-b:a", kbps);
        break;
      case VC3:
      case WAV:
        run.with("-c:a", "pcm_s16le");
        break;
      default:
        run.with("-c:a", "aac", "-b:a", kbps);
        break;
    }
  }

  /** Whether what each frame takes is noted by a look of its own, of which there is no file. */
  boolean notesApart() {
    return encoding.codec() == Codec.VP9;
  }

  /**
   * One of several looks at the same picture: the first is at the quality asked for, a further one
   * spends a bit rate, by what was noted of each frame where the codec's encoder notes it.
   *
   * @param kbps what is to be spent, kilobits a second; null where it goes by quality
   * @param isFirst whether a file comes of it that may be small enough
   */
  record Pass(@Nullable Integer kbps, boolean isFirst) {
    private static final String LOG = "passes";

    static final Pass FIRST = new Pass(null, true);

    /** Notes what each frame takes, and makes no file. */
    static final Pass NOTING = new Pass(null, false);

    static Pass spending(int kbps) {
      return new Pass(kbps, false);
    }

    boolean spends() {
      return kbps != null;
    }

    boolean notesOnly() {
      return equals(NOTING);
    }
  }
}
