package paringknife.server.deliver;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.function.DoubleConsumer;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.ComposedClip;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.FileNames;
import paringknife.core.deliver.KeptPieces;
import paringknife.core.listen.SoundPlan;
import paringknife.core.time.Span;
import paringknife.core.transcript.Word;
import paringknife.media.store.ScratchFolder;
import paringknife.media.store.WholeFile;
import paringknife.server.episodes.ClipRenderer;
import paringknife.server.episodes.Episode;

/** Renders the kept pieces of a clip: one file, or a folder with a file for each, packed. */
final class PiecesRenderer {
  private static final int WORDS_IN_NAME = 5;

  private final ClipRenderer renderer;

  PiecesRenderer(ClipRenderer renderer) {
    this.renderer = renderer;
  }

  void render(
      Episode episode, ClipDocument clip, KeptPieces pieces, Path target, DoubleConsumer progress) {
    ComposedClip composed = episode.compose(clip);
    CutList cuts = composed.cuts();
    if (cuts.kept().isEmpty()) {
      throw new IllegalArgumentException(
          "Everything of this clip is pared, so there is no piece to write.");
    }
    if (!pieces.each()) {
      renderer.renderAsRecorded(
          episode, composed.playback().sound(), composed.playback().runs(), target, progress);
      return;
    }
    try (ScratchFolder scratch = ScratchFolder.in(target.toAbsolutePath().getParent())) {
      Path zip = scratch.path().resolve("pieces.zip");
      pack(
          episode,
          clip,
          pieces.spans(cuts, episode.rate(), episode.recording().durationUs()),
          zip,
          scratch.path().resolve("piece.mp4"),
          progress);
      WholeFile.move(zip, target);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private void pack(
      Episode episode,
      ClipDocument clip,
      List<Span> spans,
      Path file,
      Path scratch,
      DoubleConsumer progress)
      throws IOException {
    String folder = FileNames.part(clip.title());
    try (OutputStream out = Files.newOutputStream(file);
        ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
      zip.setLevel(Deflater.NO_COMPRESSION);
      for (int i = 0; i < spans.size(); i++) {
        int done = i;
        CutList piece = new CutList(List.of(spans.get(i)), List.of());
        renderer.renderAsRecorded(
            episode,
            SoundPlan.of(piece.kept()),
            PictureRun.of(piece, episode.rate()),
            scratch,
            share -> progress.accept((done + share) / spans.size()));
        zip.putNextEntry(new ZipEntry(folder + "/" + name(episode, i + 1, spans.get(i)) + ".mp4"));
        Files.copy(scratch, zip);
        zip.closeEntry();
      }
    }
  }

  /** Number and first words, so that pieces sort as they play. */
  private static String name(Episode episode, int number, Span span) {
    List<String> words =
        episode.transcript().within(span).stream().limit(WORDS_IN_NAME).map(Word::bare).toList();
    String said = String.join(" ", words).replaceAll("[^\\p{L}\\p{N} ]", "").strip();
    return String.format(Locale.ROOT, "%03d %s", number, said.isEmpty() ? "silence" : said);
  }
}
