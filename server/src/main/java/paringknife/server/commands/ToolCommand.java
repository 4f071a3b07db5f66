package paringknife.server.commands;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.CutList;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.frame.CameraPlanner;
import paringknife.core.frame.Framed;
import paringknife.core.frame.Layout;
import paringknife.core.frame.Shape;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.FaceSample;
import paringknife.core.frame.people.PeopleTracker;
import paringknife.core.frame.people.Person;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueBreaker;
import paringknife.core.letter.cue.CueWord;
import paringknife.core.letter.drawn.AssScript;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Lettering;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.Pause;
import paringknife.core.listen.PauseDetector;
import paringknife.core.listen.PauseSettings;
import paringknife.core.pare.Filler;
import paringknife.core.pare.FillerFinder;
import paringknife.core.pare.Pared;
import paringknife.core.pare.RepeatFinder;
import paringknife.core.pare.RepeatGroup;
import paringknife.core.pick.Pick;
import paringknife.core.pick.PickFinder;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.core.transcript.TextOnSound;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.AnalysisPictures;
import paringknife.media.ffmpeg.FilmLetterer;
import paringknife.media.ffmpeg.HeardSound;
import paringknife.media.ffmpeg.Levels;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RecordingLineUp;
import paringknife.media.ffmpeg.Shots;
import paringknife.media.language.SnowballForms;
import paringknife.media.speech.ForcedAligner;
import paringknife.media.speech.Recogniser;
import paringknife.media.store.CaptionFonts;
import paringknife.media.store.ScratchFolder;
import paringknife.media.store.WholeFile;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.media.transcripts.TranscriptJson;
import paringknife.server.correcting.TranscriptExport;
import paringknife.server.letterings.StyleFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Single computations for scripts: JSON on standard output, times in seconds, no database. */
@Command(name = "tool", description = "One computation at a time: " + ToolCommand.ALL + ".")
final class ToolCommand implements Runnable {
  static final String ALL =
      "recognise, align, pauses, fillers, repeats, picks, loudness, faces, shots, crop-path, cues, letterings, letter,"
          + " line-up, convert, specs";

  private static final JsonMapper JSON = new JsonMapper();

  @picocli.CommandLine.Spec private picocli.CommandLine.Model.CommandSpec spec;

  @Override
  public void run() {
    throw new picocli.CommandLine.ParameterException(spec.commandLine(), "say which tool: " + ALL);
  }

  @Command(description = "words said in a recording, recognised on this machine")
  void recognise(@Parameters(paramLabel = "MEDIA") Path media) {
    Probe.of(media);
    System.out.println(TranscriptJson.write(Recogniser.installed().recognise(media, share -> {})));
  }

  @Command(description = "a text timed against the sound it was said in, as transcript JSON")
  void align(
      @Parameters(paramLabel = "MEDIA") Path media, @Parameters(paramLabel = "TEXT") Path text) {
    Transcript given = TranscriptFile.read(text).transcript();
    TextOnSound laid = new ForcedAligner().align(media, given, share -> {});
    if (laid.matched() < ForcedAligner.LEAST_MATCH) {
      throw new IllegalArgumentException(
          text.getFileName() + " does not say what is said in " + media.getFileName() + ".");
    }
    laid.unmatched().forEach(p -> System.err.println("not heard: " + given.text(p.from(), p.to())));
    System.out.println(TranscriptJson.write(laid.transcript()));
  }

  @Command(description = "quiet stretches of a recording")
  void pauses(
      @Parameters(paramLabel = "MEDIA") Path media,
      @Option(names = "--threshold", defaultValue = "-38") double threshold,
      @Option(names = "--shortest", defaultValue = "0.5") double shortest,
      @Option(names = "--head", defaultValue = "0.02") double head,
      @Option(names = "--tail", defaultValue = "0.15") double tail,
      @Option(
              names = "--transcript",
              description = "with it, noise between words is a pause as well")
          @Nullable Path file) {
    PauseSettings settings = new PauseSettings(threshold, us(shortest), us(head), us(tail));
    ArrayNode out = JSON.createArrayNode();
    if (file != null) {
      Transcript transcript = TranscriptFile.read(file).transcript();
      for (Pause pause : new PauseDetector(settings).pauses(Levels.of(media), transcript)) {
        ObjectNode node = span(out.addObject(), pause.quiet());
        span(node.putObject("cut"), pause.cut());
      }
      print(out);
      return;
    }
    for (Span quiet : new PauseDetector(settings).quietStretches(Levels.of(media))) {
      long from = quiet.startUs() + settings.tailUs();
      long to = quiet.endUs() - settings.headUs();
      ObjectNode node = span(out.addObject(), quiet);
      if (to > from) {
        span(node.putObject("cut"), new Span(from, to));
      }
    }
    print(out);
  }

  @Command(description = "filler words of a transcript")
  void fillers(@Parameters(paramLabel = "TRANSCRIPT") Path file) {
    Transcript transcript = TranscriptFile.read(file).transcript();
    ArrayNode out = JSON.createArrayNode();
    for (Filler filler : FillerFinder.of(transcript).find(transcript)) {
      ObjectNode node = out.addObject();
      node.put("text", transcript.text(filler.first(), filler.last() + 1));
      node.put("in", seconds(transcript.words().get(filler.first()).startUs()));
      node.put("out", seconds(transcript.words().get(filler.last()).endUs()));
      node.put("sure", filler.sure());
    }
    print(out);
  }

  @Command(description = "things said more than once, as groups of attempts")
  void repeats(@Parameters(paramLabel = "TRANSCRIPT") Path file) {
    Transcript transcript = TranscriptFile.read(file).transcript();
    RepeatFinder finder = new RepeatFinder(transcript, FillerFinder.of(transcript));
    ArrayNode out = JSON.createArrayNode();
    for (RepeatGroup group : finder.find()) {
      ArrayNode attempts = out.addObject().putArray("attempts");
      for (RepeatGroup.Attempt attempt : group.attempts()) {
        ObjectNode node = attempts.addObject();
        node.put("in", seconds(transcript.words().get(attempt.first()).startUs()));
        node.put("out", seconds(transcript.words().get(attempt.last()).endUs()));
        node.put("text", finder.text(attempt));
      }
    }
    print(out);
  }

  @Command(description = "faces in a video, five pictures a second; boxes as shares of the picture")
  void faces(@Parameters(paramLabel = "VIDEO") Path video) {
    ArrayNode out = JSON.createArrayNode();
    for (FaceSample sample : new AnalysisPictures(Probe.of(video)).faces()) {
      ArrayNode boxes = out.addObject().put("time", seconds(sample.timeUs())).putArray("faces");
      for (Face face : sample.faces()) {
        boxes
            .addObject()
            .put("x", round(face.x(), 1e4))
            .put("y", round(face.y(), 1e4))
            .put("width", round(face.width(), 1e4))
            .put("height", round(face.height(), 1e4));
      }
    }
    print(out);
  }

  @Command(description = "shots of a video, each from its first picture to the next shot's")
  void shots(@Parameters(paramLabel = "VIDEO") Path video) {
    Recording recording = Probe.of(video);
    List<Long> starts = Shots.of(recording);
    FrameRate rate = recording.picture().rate();
    ArrayNode out = JSON.createArrayNode();
    for (int i = 0; i < starts.size(); i++) {
      long endUs = i + 1 < starts.size() ? rate.startUs(starts.get(i + 1)) : recording.durationUs();
      span(out.addObject(), new Span(rate.startUs(starts.get(i)), endUs));
    }
    print(out);
  }

  @Command(
      name = "crop-path",
      description = "which part of the picture shows for a shape, in pixels of the video")
  void cropPath(
      @Parameters(paramLabel = "VIDEO") Path video,
      @Option(names = "--shape", defaultValue = "9:16") String shape,
      @Option(
              names = "--transcript",
              description = "tells who speaks; without one it is seen by their mouths")
          @Nullable Path file) {
    Recording recording = Probe.of(video);
    Transcript transcript =
        file == null
            ? new Transcript("en", List.of(), List.of())
            : TranscriptFile.read(file).transcript();
    Recording.Picture picture = recording.picture();
    ShotList shots = ShotList.of(Shots.of(recording), picture.rate());
    List<Person> people =
        PeopleTracker.people(
            new AnalysisPictures(recording).faces(),
            shots,
            picture.width() / (double) picture.height());
    CameraPlanner planner =
        CameraPlanner.of(picture.width(), picture.height(), people, shots, transcript);
    Framed framed = Framed.of(Shape.parse(shape), Layout.SPEAKER);
    Pared whole = Pared.of(List.of(new Span(0, recording.durationUs())));
    ArrayNode out = JSON.createArrayNode();
    new WindowsJson(picture.rate())
        .write(
            planner.plan(whole.stretches(), whole.cuts(transcript), framed, framed.shape()), out);
    print(out);
  }

  @Command(
      name = "line-up",
      description = "where recordings of one event lie on the clock of the first")
  void lineUp(@Parameters(paramLabel = "MEDIA", arity = "2..*") List<Path> media) {
    List<Recording> recordings = media.stream().map(Probe::of).toList();
    ArrayNode out = JSON.createArrayNode();
    for (HeardSound sound :
        RecordingLineUp.of(
            recordings.get(0),
            recordings.subList(1, recordings.size()),
            Path.of(System.getProperty("java.io.tmpdir")))) {
      out.addObject()
          .put("file", sound.recording().file().toString())
          .put("offset", round(sound.placement().offsetUs() / 1e6, 1e5))
          .put("driftPpm", round(sound.placement().driftPpm(), 10))
          .put("agreeing", round(sound.placement().agreeing(), 100));
    }
    print(out);
  }

  @Command(description = "moments worth a clip")
  void picks(
      @Parameters(paramLabel = "TRANSCRIPT") Path file,
      @Option(names = "--media") @Nullable Path media,
      @Option(names = "--clips", defaultValue = "3") int clips,
      @Option(names = "--length", defaultValue = "20-55") String length,
      @Option(names = "--about", defaultValue = "") String about) {
    Transcript transcript = TranscriptFile.read(file).transcript();
    LevelCurve levels = media == null ? new LevelCurve(new float[0]) : Levels.of(media);
    ArrayNode out = JSON.createArrayNode();
    for (Pick pick :
        new PickFinder(transcript, levels, SnowballForms.of(transcript.language()))
            .find(Lengths.brief(clips, length, about))) {
      ObjectNode node = span(out.addObject(), pick.span());
      node.put("pared", seconds(pick.paredUs()))
          .put("score", pick.score())
          .put("opening", pick.opening());
      ArrayNode reasons = node.putArray("reasons");
      pick.reasons().forEach(reasons::add);
    }
    print(out);
  }

  @Command(description = "integrated loudness and true peak")
  void loudness(@Parameters(paramLabel = "MEDIA") Path media) {
    Levels.Loudness loudness = Levels.loudness(media);
    print(
        JSON.createObjectNode()
            .put("lufs", round(loudness.lufs(), 10))
            .put("truePeak", round(loudness.truePeakDbtp(), 10)));
  }

  @Command(description = "a transcript broken into captions")
  void cues(
      @Parameters(paramLabel = "TRANSCRIPT") Path file,
      @Option(names = "--words", defaultValue = "7") int words,
      @Option(names = "--lines", defaultValue = "2") int lines,
      @Option(names = "--characters", defaultValue = "32", description = "most in a line")
          int characters,
      @Option(names = "--sentences", description = "end with sentences where one has room")
          boolean sentences) {
    Transcript transcript = TranscriptFile.read(file).transcript();
    long end = transcript.words().stream().mapToLong(w -> w.endUs()).max().orElse(0);
    CutList whole = new CutList(List.of(new Span(0, end + 1_000_000)), List.of());
    Breaking breaking = Breaking.of(words, lines, characters);
    ArrayNode out = JSON.createArrayNode();
    for (Cue cue :
        new CueBreaker(sentences ? breaking.bySentences() : breaking).cues(whole, transcript)) {
      ObjectNode node = span(out.addObject(), cue.span());
      node.put("text", cue.text());
      ArrayNode rows = node.putArray("lines");
      cue.text().lines().forEach(rows::add);
      ArrayNode said = node.putArray("words");
      for (CueWord word : cue.words()) {
        span(said.addObject().put("text", word.text()), word.span());
      }
    }
    print(out);
  }

  @Command(description = "the letterings that captions can be set in")
  void letterings() {
    ArrayNode out = JSON.createArrayNode();
    for (Lettering lettering : Letterings.all()) {
      out.add(JSON.readTree(StyleFile.write(lettering)));
    }
    print(out);
  }

  @Command(description = "captions drawn into a finished film; all else of it stays as it is")
  void letter(
      @Parameters(paramLabel = "VIDEO") Path video,
      @Parameters(paramLabel = "SUBTITLES", description = ".srt, .vtt, .ttml, .ass, .json or .txt")
          Path subtitles,
      @Mixin LetteringOptions letters,
      @Option(names = "--out", required = true) Path out)
      throws IOException {
    Lettering lettering = letters.asked();
    Recording film = Probe.of(video);
    Canvas canvas = FilmLetterer.canvas(film);
    List<Cue> cues = FilmCues.of(film, subtitles, lettering.breaking());
    try (ScratchFolder scratch = ScratchFolder.in(out.toAbsolutePath().getParent())) {
      CaptionFonts fonts = letters.laidOut(scratch.path().resolve("fonts"));
      String script = new AssScript(lettering.style(), canvas).write(cues);
      new FilmLetterer(fonts).letter(film, script, out, share -> {});
    }
    print(JSON.createObjectNode().put("file", out.toString()).put("captions", cues.size()));
  }

  @Command(
      description =
          "transcripts and subtitles from one format to another, by extension: .json, .srt, .vtt, .ttml,"
              + " .ass, .txt")
  void convert(@Parameters(paramLabel = "IN") Path in, @Parameters(paramLabel = "OUT") Path target)
      throws IOException {
    TranscriptFile.Imported read = TranscriptFile.read(in);
    read.mended().forEach(m -> System.err.println(in.getFileName() + ": " + m));
    String name = target.getFileName().toString().toLowerCase(Locale.ROOT);
    String format = name.substring(name.lastIndexOf('.') + 1);
    if (read.timing() == TranscriptFile.Timing.NOTHING && !format.equals("txt")) {
      throw new IllegalArgumentException(
          in.getFileName() + " has no times; time it against its sound with tool align.");
    }
    WholeFile.write(
        target,
        (read.cues().isEmpty()
                ? TranscriptExport.write(read.transcript(), format, true, false)
                : TranscriptExport.write(read.cues(), read.transcript(), format))
            .getBytes(StandardCharsets.UTF_8));
  }

  @Command(description = "ids of the delivery specs")
  void specs(@Mixin SpecOptions own) throws IOException {
    ArrayNode out = JSON.createArrayNode();
    for (DeliverySpec s : own.specs().all()) {
      out.addObject()
          .put("id", s.id())
          .put("name", s.name())
          .put("width", s.canvas().width())
          .put("height", s.canvas().height())
          .put("longest", seconds(s.length().longestUs()));
    }
    print(out);
  }

  private static ObjectNode span(ObjectNode node, Span span) {
    return node.put("in", seconds(span.startUs())).put("out", seconds(span.endUs()));
  }

  private static void print(Object node) {
    System.out.println(node);
  }

  private static long us(double seconds) {
    return Math.round(seconds * 1e6);
  }

  private static double seconds(long us) {
    return round(us / 1e6, 1000);
  }

  private static double round(double value, double steps) {
    return Math.round(value * steps) / steps;
  }
}
