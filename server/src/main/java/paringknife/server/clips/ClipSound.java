package paringknife.server.clips;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.springframework.stereotype.Component;
import paringknife.core.clip.ClipDocument;
import paringknife.core.listen.LoudnessTarget;
import paringknife.core.listen.SampleSource;
import paringknife.core.listen.SoundJoiner;
import paringknife.core.listen.SoundMeasure;
import paringknife.core.listen.clean.Cleanup;
import paringknife.server.database.Recent;
import paringknife.server.episodes.Episode;
import paringknife.server.shelf.Episodes;

/**
 * What clips sound like, as they are delivered: joined, with room tone, cleaned. The preview plays
 * this sound wherever it is more than the recording cut.
 */
@Component
class ClipSound {
  private static final long LONGEST_PART_US = 60_000_000;
  private static final AudioFormat FORMAT =
      new AudioFormat(SampleSource.SAMPLE_RATE, Short.SIZE, SampleSource.CHANNELS, true, false);

  private final Episodes episodes;
  private final ClipStore clips;
  private final Recent<Heard> heard = new Recent<>(4);
  private final Recent<Measured> measured = new Recent<>(60);

  /** A sound with the blocks of it that were decoded and cleaned last. */
  private record Heard(Episode episode, SampleSource source) {}

  private record Measured(int revision, Episode episode, SoundMeasure sound) {}

  /** How loud a clip is before it is brought to its target, and what will be done about it. */
  record ClipLoudness(
      double lufs, double truePeakDbtp, double targetLufs, double ceilingDbtp, double gainDb) {}

  ClipSound(Episodes episodes, ClipStore clips) {
    this.episodes = episodes;
    this.clips = clips;
  }

  /**
   * A part of a clip as a WAV file of 16 bits.
   *
   * @param asRecorded without what cleans the voice, to hear the difference
   */
  byte[] part(long clipId, long fromUs, long toUs, boolean asRecorded) {
    if (toUs <= fromUs || toUs - fromUs > LONGEST_PART_US) {
      throw new IllegalArgumentException("A part of a clip's sound is up to a minute long.");
    }
    SoundJoiner joiner = joiner(clipId, asRecorded);
    long from = SoundJoiner.momentAt(fromUs);
    return wav(joiner.read(from, (int) (SoundJoiner.momentAt(toUs) - from)));
  }

  /** Measures a clip against a target. What is being listened to meanwhile is left in peace. */
  ClipLoudness loudness(long clipId, LoudnessTarget target) {
    ClipStore.StoredClip clip = clips.byId(clipId);
    Episode episode = episodes.open(clip.episodeId());
    Measured known = measured.get(clipId);
    if (known == null || known.revision() != clip.revision() || known.episode() != episode) {
      SoundJoiner joiner =
          joiner(clip.document(), episode, episode.sound(clip.document().sounded().cleanup()));
      known = new Measured(clip.revision(), episode, SoundMeasure.of(joiner, joiner.moments()));
      measured.put(clipId, known);
    }
    SoundMeasure sound = known.sound();
    return new ClipLoudness(
        sound.lufs(),
        sound.truePeakDbtp(),
        target.lufs(),
        target.ceilingDbtp(),
        target.gainDb(sound));
  }

  private SoundJoiner joiner(long clipId, boolean asRecorded) {
    ClipStore.StoredClip clip = clips.byId(clipId);
    Episode episode = episodes.open(clip.episodeId());
    Cleanup cleanup = asRecorded ? Cleanup.NONE : clip.document().sounded().cleanup();
    long key = clip.episodeId() * 16 + bits(cleanup);
    Heard source =
        heard.getOrMake(
            key, h -> h.episode() == episode, k -> new Heard(episode, episode.sound(cleanup)));
    return joiner(clip.document(), episode, source.source());
  }

  private static SoundJoiner joiner(ClipDocument clip, Episode episode, SampleSource source) {
    return new SoundJoiner(source, episode.compose(clip).playback().sound());
  }

  private static long bits(Cleanup cleanup) {
    long bits = 0;
    for (boolean on :
        List.of(cleanup.hum(), cleanup.noise(), cleanup.even(), cleanup.sibilance())) {
      bits = bits * 2 + (on ? 1 : 0);
    }
    return bits;
  }

  private static byte[] wav(float[] interleaved) {
    ByteBuffer samples =
        ByteBuffer.allocate(interleaved.length * Short.BYTES).order(ByteOrder.LITTLE_ENDIAN);
    for (float sample : interleaved) {
      samples.putShort(
          (short)
              Math.max(Short.MIN_VALUE, Math.min(Short.MAX_VALUE, Math.round(sample * 32767f))));
    }
    ByteArrayOutputStream wav = new ByteArrayOutputStream(samples.capacity());
    try {
      AudioSystem.write(
          new AudioInputStream(
              new ByteArrayInputStream(samples.array()),
              FORMAT,
              interleaved.length / SampleSource.CHANNELS),
          AudioFileFormat.Type.WAVE,
          wav);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return wav.toByteArray();
  }
}
