package paringknife.media.ffmpeg;

import java.util.List;
import java.util.Locale;
import paringknife.core.listen.Placement;

/**
 * The part of a filter graph that brings the sound that is heard to 48 kHz stereo on the episode's
 * clock: one recording's own, or several lined up and mixed.
 */
final class SoundGraph {
  private static final String STEREO =
      "aformat=sample_fmts=flt:sample_rates=48000:channel_layouts=stereo";

  private static final int LOWEST_RATE = 48_000;

  private SoundGraph() {}

  /** The sound of the recording itself, from the pad named. */
  static String own(String pad, int channels) {
    return "[" + pad + "]aresample=48000:async=1:first_pts=0," + toStereo(channels) + "," + STEREO;
  }

  /**
   * Several recordings mixed as they are, each delayed or cut to its place and stretched by its
   * drift; where all are loud at once a limiter keeps the sum whole.
   *
   * @param firstInput index of the first one among ffmpeg's inputs
   */
  static String mixed(List<HeardSound> heard, int firstInput, long durationUs) {
    StringBuilder graph = new StringBuilder();
    for (int i = 0; i < heard.size(); i++) {
      HeardSound sound = heard.get(i);
      graph.append("[").append(firstInput + i).append(":a:0]aresample=48000:async=1:first_pts=0,");
      graph.append(toStereo(sound.recording().soundChannels())).append(",").append(STEREO);
      graph.append(placed(sound.placement())).append("[m").append(i).append("];");
    }
    for (int i = 0; i < heard.size(); i++) {
      graph.append("[m").append(i).append("]");
    }
    if (heard.size() > 1) {
      graph
          .append("amix=inputs=")
          .append(heard.size())
          .append(":normalize=0:dropout_transition=0,");
    }
    graph.append("alimiter=limit=0.97:attack=2:release=40:level=false:latency=true,");
    graph
        .append(String.format(Locale.ROOT, "apad,atrim=duration=%.6f,", durationUs / 1e6))
        .append(STEREO);
    return graph.toString();
  }

  private static String placed(Placement placement) {
    String stretched = placement.driftPpm() == 0 ? "" : stretched(1 + placement.driftPpm() / 1e6);
    long samples = Math.round(placement.offsetUs() * 48e3 / 1e6);
    if (samples > 0) {
      return stretched + ",adelay=delays=" + samples + "S:all=1";
    }
    return samples == 0
        ? stretched
        : stretched + ",atrim=start_sample=" + -samples + ",asetpts=PTS-STARTPTS";
  }

  /**
   * Makes the sound longer by a factor near 1: resampled to one whole rate and played at another,
   * the two chosen so that their ratio is the factor to a part in a thousand million.
   */
  private static String stretched(double factor) {
    int best = LOWEST_RATE;
    double least = Double.MAX_VALUE;
    for (int rate = LOWEST_RATE; rate < 2 * LOWEST_RATE; rate++) {
      double error = Math.abs(Math.round(rate * factor) / (double) rate - factor);
      if (error < least) {
        least = error;
        best = rate;
      }
    }
    return ",aresample=" + Math.round(best * factor) + ",asetrate=" + best + "," + STEREO;
  }

  /** One channel goes to both sides at its own level; ffmpeg alone would take 3 dB off. */
  private static String toStereo(int channels) {
    return channels == 1 ? "pan=stereo|c0=c0|c1=c0" : "aformat=channel_layouts=stereo";
  }
}
