package paringknife.core.pare;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import paringknife.core.clip.cut.Reason;
import paringknife.core.listen.Pause;
import paringknife.core.listen.PauseSettings;

/**
 * A kind of thing that is pared: what it is called, how it is found, and by which ways (and so with
 * what harm) it is taken out.
 */
public sealed interface RemovalKind
    permits RemovalKind.Pauses,
        RemovalKind.Fillers,
        RemovalKind.Repeats,
        RemovalKind.ByHand,
        RemovalKind.ToFit {
  /** All kinds, as the tray lists them. */
  List<RemovalKind> ALL =
      List.of(new Pauses(), new Fillers(), new Repeats(), new ByHand(), new ToFit());

  /** What its removals are marked with. */
  Reason reason();

  /** What a producer calls it. */
  String called();

  /** The ways to find it; none for what only a person can point out. */
  Map<Way, Found.Finder> ways();

  static RemovalKind of(Reason reason) {
    return ALL.stream().filter(k -> k.reason() == reason).findFirst().orElseThrow();
  }

  /** How a way is gone; every way but {@link Way#SPEED} belongs to one kind. */
  static Found.Finder finder(Way way) {
    return ALL.stream()
        .filter(k -> k.ways().containsKey(way))
        .map(k -> k.ways().get(way))
        .findFirst()
        .orElseThrow();
  }

  /** Quiet between words, by level and length. */
  record Pauses(PauseSettings settings, boolean inRoom) implements RemovalKind {
    /** With the usual settings, in the room of the recording. */
    public Pauses() {
      this(PauseSettings.DEFAULT, true);
    }

    /** With settings of the producer's. */
    public Pauses(PauseSettings settings) {
      this(settings, false);
    }

    @Override
    public Reason reason() {
      return Reason.PAUSE;
    }

    @Override
    public String called() {
      return "Pauses";
    }

    @Override
    public Map<Way, Found.Finder> ways() {
      return Map.of(Way.PAUSES, (editor, clip) -> find(editor, clip, reason()));
    }

    private Found find(PareEditor editor, Pared clip, Reason reason) {
      PauseSettings heard = inRoom ? settings.inRoom(editor.quietBelowDb()) : settings;
      List<Pause> longest =
          editor.pauses(clip, heard).stream()
              .sorted(
                  Comparator.comparingLong((Pause p) -> -p.cut().lengthUs())
                      .thenComparingLong(p -> p.cut().startUs()))
              .toList();
      return new Found(
          longest.stream().map(Pause::cut).toList(),
          n -> editor.parePauses(clip, longest.subList(0, n), reason));
    }
  }

  /** Words that carry nothing, by the list of the language and the show. */
  record Fillers() implements RemovalKind {
    @Override
    public Reason reason() {
      return Reason.FILLER;
    }

    @Override
    public String called() {
      return "Fillers";
    }

    @Override
    public Map<Way, Found.Finder> ways() {
      return Map.of(Way.SURE_FILLERS, (editor, clip) -> find(editor, clip, true, reason()));
    }

    private static Found find(PareEditor editor, Pared clip, boolean sure, Reason reason) {
      List<Filler> found = editor.fillers(clip).stream().filter(f -> f.sure() == sure).toList();
      return new Found(
          found.stream().map(editor::spanOf).toList(),
          n -> editor.pareFillers(clip, found.subList(0, n), reason));
    }
  }

  /** What is said again: the last attempt is usually the good one (common practice). */
  record Repeats() implements RemovalKind {
    @Override
    public Reason reason() {
      return Reason.REPEAT;
    }

    @Override
    public String called() {
      return "Repeats";
    }

    @Override
    public Map<Way, Found.Finder> ways() {
      return Map.of(Way.REPEATS, Repeats::find);
    }

    private static Found find(PareEditor editor, Pared clip) {
      List<RepeatGroup> groups = editor.repeats().in(clip);
      return new Found(
          groups.stream().map(editor.repeats()::spanOf).toList(),
          n -> editor.repeats().pare(clip, groups.subList(0, n)));
    }
  }

  /** What a producer struck. */
  record ByHand() implements RemovalKind {
    @Override
    public Reason reason() {
      return Reason.BY_HAND;
    }

    @Override
    public String called() {
      return "By hand";
    }

    @Override
    public Map<Way, Found.Finder> ways() {
      return Map.of();
    }
  }

  /** What would have stayed, had the clip not been too long: it comes back all at once. */
  record ToFit() implements RemovalKind {
    private static final Pauses TIGHT =
        new Pauses(new PauseSettings(-36, 300_000, 10_000, 100_000), true);

    @Override
    public Reason reason() {
      return Reason.TO_FIT;
    }

    @Override
    public String called() {
      return "To fit";
    }

    @Override
    public Map<Way, Found.Finder> ways() {
      return Map.of(
          Way.TIGHTER_PAUSES,
          (editor, clip) -> TIGHT.find(editor, clip, reason()),
          Way.DOUBTFUL_FILLERS,
          (editor, clip) -> Fillers.find(editor, clip, false, reason()));
    }
  }
}
