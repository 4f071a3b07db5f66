package paringknife.media.ffmpeg;

import java.io.IOException;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import paringknife.core.listen.LoudnessTarget;
import paringknife.core.listen.SoundJoiner;
import paringknife.core.listen.SoundMeasure;

/** The sound of a clip, joined once at its speed, and written as loud as each file wants it. */
final class JoinedSound {
  /** AAC overshoots a limited signal a little; this much is left for it, in dB. */
  private static final double CODEC_ROOM_DB = 0.6;

  private final PcmFile joined;

  /**
   * Joins it.
   *
   * @param work where files lie that are needed on the way
   */
  JoinedSound(RenderOrder order, Path work) throws IOException {
    SoundJoiner joiner = new SoundJoiner(order.sound(), order.plan());
    PcmFile sound = PcmFile.write(joiner, joiner.moments(), work.resolve("joined.f32"));
    this.joined =
        order.speed() == 1 ? sound : sound.faster(order.speed(), work.resolve("faster.f32"));
  }

  /**
   * Writes it.
   *
   * @param loudness null leaves it as it is
   */
  void write(@Nullable LoudnessTarget loudness, Path file) throws IOException {
    long moments = joined.moments();
    if (loudness == null) {
      PcmFile.write(joined, moments, file);
      return;
    }
    LoudnessTarget target =
        new LoudnessTarget(loudness.lufs(), loudness.ceilingDbtp() - CODEC_ROOM_DB);
    PcmFile once =
        PcmFile.write(
            target.round(joined, SoundMeasure.of(joined, moments)),
            moments,
            file.resolveSibling("once.f32"));
    PcmFile.write(target.round(once, SoundMeasure.of(once, moments)), moments, file);
  }
}
