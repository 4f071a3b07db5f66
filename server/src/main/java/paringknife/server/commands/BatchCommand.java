package paringknife.server.commands;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.ComposedClip;
import paringknife.core.clip.HouseStyle;
import paringknife.core.clip.cut.Removal;
import paringknife.core.deliver.Delivered;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.frame.Framed;
import paringknife.core.letter.Lettered;
import paringknife.core.listen.SpeakersByMicrophone;
import paringknife.core.pare.Pared;
import paringknife.core.pare.RemovalKind;
import paringknife.core.pare.Way;
import paringknife.core.pick.Brief;
import paringknife.core.pick.Pick;
import paringknife.core.time.Span;
import paringknife.core.transcript.TextOnSound;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.HeardSound;
import paringknife.media.ffmpeg.Levels;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RecordingLineUp;
import paringknife.media.ffmpeg.UnusableRecording;
import paringknife.media.speech.ForcedAligner;
import paringknife.media.speech.Recogniser;
import paringknife.media.speech.VoicesInFile;
import paringknife.media.store.ScratchFolder;
import paringknife.media.store.StylePictures;
import paringknife.media.store.WholeFile;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.episodes.ClipRenderer;
import paringknife.server.episodes.Episode;
import paringknife.server.episodes.EpisodeFolder;
import paringknife.server.episodes.EpisodeIngest;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The whole job without a browser and without a database. */
@Command(
    name = "batch",
    description = "Make clips of a recording: pick, pare, frame, letter, render.")
final class BatchCommand implements Callable<Integer> {
  private static final JsonMapper JSON = new JsonMapper();

  @Option(
      names = "--media",
      required = true,
      description =
          "the recording; further ones are lined up by their sound: those without a picture are"
              + " heard instead of its own, those with one are further cameras")
  private List<Path> media = List.of();

  @Option(
      names = "--transcript",
      description = ".json, .srt or .vtt; recognised on this machine when left out")
  private @Nullable Path transcriptFile;

  @Option(names = "--clips", defaultValue = "3")
  private int clips;

  @Option(names = "--length", defaultValue = "20-55", description = "MIN-MAX seconds after paring")
  private String length = "";

  @Option(names = "--about", defaultValue = "")
  private String about = "";

  @Option(names = "--spec", defaultValue = "vertical-60")
  private List<String> specs = List.of();

  @Mixin private SpecOptions own = new SpecOptions();

  @Mixin private LetteringOptions letters = new LetteringOptions();

  @Mixin private FramingOptions framing = new FramingOptions();

  @Mixin private LanguageOptions languages = new LanguageOptions();

  @Mixin private NameOptions names = new NameOptions();

  @Option(names = "--out", required = true)
  private Path out = Path.of("out");

  private final StepTimes steps = new StepTimes();

  private record Made(ClipDocument clip, Pick pick) {}

  @Override
  public Integer call() throws IOException {
    DeliverySpecs known = own.specs();
    names.check();
    List<DeliverySpec> asked = specs.stream().map(known::byId).toList();
    letters.house();
    framing.check();
    Brief brief = Lengths.brief(clips, length, about);
    Recording recording = step("probe", () -> Probe.of(media.get(0)));
    List<Recording> others = media.stream().skip(1).map(Probe::of).toList();
    refuseSilent(recording);
    TranscriptFile.Imported given = given(recording);
    try (ScratchFolder scratch = ScratchFolder.in(out)) {
      Path work = scratch.path();
      StylePictures pictures = StylePictures.in(work);
      HouseStyle house = letters.house(pictures);
      ClipRenderer renderer = new ClipRenderer(letters.laidOut(work.resolve("fonts")), pictures);
      EpisodeFolder folder = new EpisodeFolder(work.resolve("episode"));
      List<HeardSound> placed =
          others.isEmpty()
              ? List.of()
              : step("line up", () -> RecordingLineUp.of(recording, others, work));
      List<HeardSound> heard =
          placed.stream().filter(p -> p.recording().picture() == null).toList();
      step("ingest", () -> takenIn(recording, placed, heard, folder));
      Transcript transcript =
          given != null ? timed(given, folder) : step("recognise", () -> recognised(folder, heard));
      languages.check(transcript.language());
      Episode episode = new Episode(folder.recording(recording.file()), folder, transcript, known);
      List<Pick> picks = step("pick", () -> episode.picks(brief));
      if (picks.isEmpty()) {
        throw new IllegalArgumentException(
            "No stretch of this recording fits a length of "
                + length
                + " s; try another --length.");
      }
      List<Made> made =
          step(
              "pare", () -> picks.stream().map(p -> new Made(pare(episode, p, house), p)).toList());
      ObjectNode report = JSON.createObjectNode();
      placed.forEach(p -> addSound(report.withArray("sounds"), p));
      ArrayNode pickNodes = report.putArray("picks");
      picks.forEach(p -> addPick(pickNodes, p));
      ArrayNode clipNodes = report.putArray("clips");
      for (Made one : made) {
        addClip(clipNodes, episode, one.clip(), asked, renderer);
      }
      ObjectNode times = report.putObject("seconds");
      steps.write(times);
      WholeFile.write(
          out.resolve("report.json"),
          JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(report));
      tellMade(made.size(), asked.size());
    }
    return 0;
  }

  private TranscriptFile.@Nullable Imported given(Recording recording) {
    if (transcriptFile == null) {
      return null;
    }
    TranscriptFile.Imported given =
        TranscriptFile.read(transcriptFile).within(recording.durationUs());
    given.mended().forEach(m -> System.err.println("transcript: " + m));
    return given;
  }

  private void tellMade(int made, int specs) {
    System.err.println(
        "In "
            + out
            + (made == 1 ? ": 1 clip" : ": " + made + " clips")
            + (specs == 1 ? " for 1 spec" : " for " + specs + " specs"));
  }

  private void refuseSilent(Recording recording) {
    if (!recording.hasSound()) {
      throw new UnusableRecording(
          media.get(0).getFileName() + " has no sound, so there is nothing to read or pare.");
    }
  }

  private EpisodeFolder takenIn(
      Recording recording, List<HeardSound> placed, List<HeardSound> heard, EpisodeFolder folder) {
    List<HeardSound> filming =
        placed.stream().filter(p -> p.recording().picture() != null).toList();
    EpisodeIngest.run(recording, filming, heard, folder, share -> tell("taking in", share));
    return folder;
  }

  /** A transcript whose words have no times of their own is timed against the sound. */
  private Transcript timed(TranscriptFile.Imported given, EpisodeFolder folder) {
    if (given.timing() == TranscriptFile.Timing.WORDS) {
      return given.transcript();
    }
    TextOnSound laid =
        step(
            "align",
            () ->
                new ForcedAligner()
                    .align(
                        folder.sound(),
                        given.transcript(),
                        share -> tell("timing the text", share)));
    if (laid.matched() < ForcedAligner.LEAST_MATCH) {
      throw new IllegalArgumentException(
          transcriptFile.getFileName()
              + " does not say what is said in "
              + media.get(0).getFileName()
              + ".");
    }
    laid.unmatched()
        .forEach(p -> System.err.println("not heard: " + laid.transcript().text(p.from(), p.to())));
    return laid.transcript();
  }

  private static Transcript recognised(EpisodeFolder folder, List<HeardSound> heard) {
    Transcript words =
        Recogniser.installed().recognise(folder.sound(), share -> tell("listening", share));
    return heard.size() < 2
        ? VoicesInFile.propose(folder.sound(), words)
        : SpeakersByMicrophone.assign(
            words,
            heard.stream()
                .map(
                    h ->
                        new SpeakersByMicrophone.Microphone(
                            Levels.of(h.recording().file()),
                            h.placement(),
                            NameOptions.stem(h.recording().file())))
                .toList());
  }

  private static void addSound(ArrayNode nodes, HeardSound sound) {
    nodes
        .addObject()
        .put("file", sound.recording().file().getFileName().toString())
        .put("offset", seconds(sound.placement().offsetUs()))
        .put("driftPpm", Math.round(sound.placement().driftPpm() * 10) / 10.0);
  }

  private ClipDocument pare(Episode episode, Pick pick, HouseStyle house) {
    String opening = pick.opening().replaceAll("[.,;:]{1,8}$", "");
    String title =
        opening.length() > 48 ? opening.substring(0, 48).replaceAll("\\s+\\S*$", "") : opening;
    ClipDocument whole =
        house.on(
            ClipDocument.of(
                List.of(pick.span()),
                Framed.UPRIGHT,
                Lettered.in(house.lettering()),
                new Delivered(title, specs)));
    Pared pared = whole.pared();
    for (Way way : Way.values()) {
      if (way.isHarmless()) {
        pared = RemovalKind.finder(way).in(episode.editor(), pared).all();
      }
    }
    ClipDocument made =
        whole
            .with(pared)
            .with(
                framing.of(
                    whole.framed(),
                    episode.editor().cuts(pared),
                    episode.desk().framing(),
                    house.pushIns()));
    return languages.on(made, episode.compose(made).said(), episode.transcript());
  }

  private static void addPick(ArrayNode nodes, Pick pick) {
    ObjectNode node = nodes.addObject();
    node.put("in", seconds(pick.span().startUs()))
        .put("out", seconds(pick.span().endUs()))
        .put("score", pick.score());
    ArrayNode reasons = node.putArray("reasons");
    pick.reasons().forEach(reasons::add);
  }

  private void addClip(
      ArrayNode nodes,
      Episode episode,
      ClipDocument clip,
      List<DeliverySpec> asked,
      ClipRenderer renderer)
      throws IOException {
    ComposedClip composed = episode.compose(clip);
    int number = nodes.size() + 1;
    ObjectNode node = nodes.addObject();
    node.put("title", clip.title());
    ArrayNode kept = node.putArray("kept");
    for (Span span : composed.cuts().kept()) {
      kept.addObject().put("in", seconds(span.startUs())).put("out", seconds(span.endUs()));
    }
    ArrayNode cut = node.putArray("cut");
    for (Removal removal : clip.pared().removals()) {
      cut.addObject()
          .put("in", seconds(removal.span().startUs()))
          .put("out", seconds(removal.span().endUs()))
          .put("reason", removal.reason().name().toLowerCase(Locale.ROOT))
          .put("text", removal.text());
    }
    List<ClipFiles.Named> wanted = new ArrayList<>();
    for (DeliverySpec spec : asked) {
      String name =
          names.name(media.get(0), clip.title(), number, spec, composed.playback().lengthUs());
      wanted.add(new ClipFiles.Named(composed.forSpec(spec), name));
    }
    new ClipFiles(out, renderer, steps).add(node.putArray("files"), episode, composed, wanted);
  }

  private static double seconds(long us) {
    return Math.round(us / 1e3) / 1e3;
  }

  private <T> T step(String name, Supplier<T> work) {
    return steps.step(name, work);
  }

  static void tell(String what, double share) {
    System.err.printf(Locale.ROOT, "\r%s %3.0f %%", what, share * 100);
    if (share >= 1) {
      System.err.println();
    }
  }
}
