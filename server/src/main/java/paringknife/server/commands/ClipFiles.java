package paringknife.server.commands;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import paringknife.core.clip.ComposedClip;
import paringknife.core.clip.Composition;
import paringknife.core.deliver.Check;
import paringknife.core.formats.SubRip;
import paringknife.core.formats.TimedText;
import paringknife.media.ffmpeg.Measurement;
import paringknife.media.store.WholeFile;
import paringknife.server.episodes.ClipRenderer;
import paringknife.server.episodes.Episode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The files of one clip of a batch: rendered side by side, measured, and told in the report. */
final class ClipFiles {
  private final Path out;
  private final ClipRenderer renderer;
  private final StepTimes steps;

  ClipFiles(Path out, ClipRenderer renderer, StepTimes steps) {
    this.out = out;
    this.renderer = renderer;
    this.steps = steps;
  }

  /**
   * A clip for a spec.
   *
   * @param name of its file, without what it ends in
   */
  record Named(Composition composition, String name) {}

  void add(ArrayNode nodes, Episode episode, ComposedClip composed, List<Named> wanted)
      throws IOException {
    render(episode, wanted);
    for (Named file : wanted) {
      ObjectNode node = nodes.addObject();
      add(node, file);
      new WindowsJson(episode.rate())
          .write(composed.planned(file.composition().spec().shape()), node.putArray("windows"));
    }
  }

  /** Specs that differ in their limits only come to one file, which is made once. */
  private void render(Episode episode, List<Named> wanted) {
    Map<List<Object>, Path> made = new HashMap<>();
    List<ClipRenderer.Wanted> files = new ArrayList<>();
    Map<Path, Path> copies = new HashMap<>();
    for (Named file : wanted) {
      if (!Check.pass(file.composition().preflight())) {
        continue;
      }
      Path target = target(file);
      Path same = made.putIfAbsent(file.composition().spec().makes(), target);
      if (same == null) {
        files.add(new ClipRenderer.Wanted(file.composition(), target));
      } else {
        copies.put(target, same);
      }
    }
    steps.step(
        "render",
        () -> {
          if (!files.isEmpty()) {
            renderer.renderTogether(
                episode, files, share -> BatchCommand.tell(wanted.get(0).name(), share));
          }
          copies.forEach((target, same) -> WholeFile.copy(same, target));
          return files;
        });
  }

  private Path target(Named file) {
    return out.resolve(
        file.name() + "." + file.composition().spec().encoding().codec().extension());
  }

  private void add(ObjectNode node, Named file) throws IOException {
    Composition composition = file.composition();
    node.put("spec", composition.spec().id());
    List<Check> before = composition.preflight();
    if (!Check.pass(before)) {
      System.err.println(
          file.name()
              + " was not rendered: "
              + before.stream()
                  .filter(c -> c.verdict() == Check.Verdict.FAILS)
                  .map(Check::text)
                  .toList());
      addChecks(node, before);
      return;
    }
    for (Map.Entry<String, List<TimedText>> track : composition.subtitles().entrySet()) {
      String language = track.getKey().isEmpty() ? "" : "." + track.getKey();
      Files.writeString(
          out.resolve(file.name() + language + ".srt"), SubRip.write(track.getValue()));
    }
    Path target = target(file);
    Measurement measured = steps.step("measure", () -> Measurement.of(target));
    node.put("file", target.getFileName().toString());
    node.put("width", measured.width()).put("height", measured.height());
    node.put("fps", Math.round(measured.rate().perSecond() * 1000) / 1000.0);
    node.put("duration", Math.round(measured.seconds() * 1000) / 1000.0);
    node.put("lufs", measured.lufs()).put("truePeak", measured.truePeakDbtp());
    List<Check> all = new ArrayList<>(before);
    all.addAll(steps.step("look through", () -> renderer.checked(composition, target, measured)));
    addChecks(node, all);
  }

  private static void addChecks(ObjectNode node, List<Check> checks) {
    ArrayNode nodes = node.putArray("checks");
    for (Check check : checks) {
      nodes
          .addObject()
          .put("subject", check.subject())
          .put("verdict", check.verdict().name().toLowerCase(Locale.ROOT))
          .put("text", check.text());
    }
  }
}
