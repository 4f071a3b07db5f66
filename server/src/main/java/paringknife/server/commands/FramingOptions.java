package paringknife.server.commands;

import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.CutList;
import paringknife.core.frame.Arrangement;
import paringknife.core.frame.FrameDesk;
import paringknife.core.frame.FrameIntent;
import paringknife.core.frame.Framed;
import paringknife.core.frame.Ground;
import paringknife.core.frame.Layout;
import paringknife.core.frame.Liveliness;
import paringknife.core.frame.Manner;
import paringknife.core.frame.PushIn;
import paringknife.core.frame.PushInHabit;
import picocli.CommandLine.Option;

/** How clips of a batch are framed. */
final class FramingOptions {
  private static final int MOST_TOGETHER = 4;

  /** Layouts by the names they have on the command line. */
  enum Named {
    SPEAKER,
    CROSSTALK,
    STACKED,
    ABREAST,
    INSET,
    WHOLE,
    MIDDLE
  }

  @Option(
      names = "--layout",
      defaultValue = "speaker",
      description = "who is seen: ${COMPLETION-CANDIDATES}")
  private Named layout = Named.SPEAKER;

  @Option(
      names = "--liveliness",
      description =
          "how readily the window goes along: ${COMPLETION-CANDIDATES}; calm, or as --style has it")
  private @Nullable Liveliness liveliness;

  @Option(
      names = "--push-ins",
      description =
          "per cent nearer on the strongest words, 8, 12 and 20 are usual; 0 for none; none, or as"
              + " --style has it")
  private @Nullable Double pushIns;

  /** What cannot be done is refused before anything is taken in. */
  void check() {
    if (pushIns != null && pushIns != 0 && !(pushIns >= 1 && pushIns <= 100)) {
      throw new IllegalArgumentException("--push-ins is 1 to 100 per cent, or 0 for none.");
    }
  }

  /**
   * The framing of a clip; layouts of several people need them in the picture.
   *
   * @param styled as its style has it
   * @param usual how it comes nearer where it is not said
   */
  Framed of(Framed styled, CutList cuts, FrameDesk desk, PushInHabit usual) {
    Manner manner = styled.manner();
    Framed framed =
        styled
            .with(styled.shape(), layout(desk.people()))
            .with(
                liveliness == null
                    ? manner
                    : new Manner(liveliness, manner.tightness(), manner.divider()));
    double share = pushIns == null ? usual.share() : pushIns / 100;
    PushIn.Move move = pushIns == null ? usual.move() : PushIn.Move.GLIDE;
    return share == 0
        ? framed
        : new FrameIntent.ProposePushIns(share, move).apply(framed, cuts, desk);
  }

  private Layout layout(int people) {
    boolean several = people > 1;
    return switch (layout) {
      case SPEAKER -> Layout.SPEAKER;
      case CROSSTALK -> several ? new Layout.Conversation(Arrangement.STACKED) : Layout.SPEAKER;
      case STACKED -> together(people, Arrangement.STACKED);
      case ABREAST -> together(people, Arrangement.BESIDE);
      case INSET -> together(people, Arrangement.INSET);
      case WHOLE -> new Layout.Whole(Ground.SOFT);
      case MIDDLE -> new Layout.Middle();
    };
  }

  private Layout together(int people, Arrangement arrangement) {
    if (people < 2) {
      System.err.println(
          "--layout "
              + layout.name().toLowerCase(Locale.ROOT)
              + " needs two people in the picture; whoever speaks is shown.");
      return Layout.SPEAKER;
    }
    List<Integer> shown = IntStream.range(0, Math.min(MOST_TOGETHER, people)).boxed().toList();
    return new Layout.Together(shown, arrangement);
  }
}
