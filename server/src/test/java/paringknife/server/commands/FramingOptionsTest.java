package paringknife.server.commands;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.clip.cut.CutList;
import paringknife.core.frame.FrameDesk;
import paringknife.core.frame.Framed;
import paringknife.core.frame.Ground;
import paringknife.core.frame.Layout;
import paringknife.core.frame.Liveliness;
import paringknife.core.frame.Manner;
import paringknife.core.frame.PushInFinder;
import paringknife.core.frame.PushInHabit;
import paringknife.core.frame.Tightness;
import paringknife.core.frame.colour.SeenColours;
import paringknife.core.time.Span;
import picocli.CommandLine;

class FramingOptionsTest {
  private static final Span ALL = new Span(0, 10_000_000);

  private static Framed framed(Framed styled, String... arguments) {
    FrameDesk desk =
        new FrameDesk(2, 1, ALL.endUs(), mock(PushInFinder.class), mock(SeenColours.Source.class));
    FramingOptions options = new FramingOptions();
    new CommandLine(options).setCaseInsensitiveEnumValuesAllowed(true).parseArgs(arguments);
    return options.of(styled, new CutList(List.of(ALL), List.of()), desk, PushInHabit.NONE);
  }

  @Test
  void whatIsNotAskedForIsAsTheStyleHasIt() {
    Framed styled =
        Framed.UPRIGHT
            .withBehind(Ground.SOFT)
            .withAlternating(0.08)
            .with(new Manner(Liveliness.LIVELY, Tightness.TO_THE_WAIST));
    assertThat(framed(styled)).isEqualTo(styled);
    Framed asked = framed(styled, "--layout", "whole", "--liveliness", "still");
    assertThat(asked.layout()).isEqualTo(new Layout.Whole(Ground.SOFT));
    assertThat(asked.manner().liveliness()).isEqualTo(Liveliness.STILL);
    assertThat(asked.manner().tightness()).isEqualTo(Tightness.TO_THE_WAIST);
    assertThat(asked.behind()).isEqualTo(Ground.SOFT);
    assertThat(asked.alternating()).isEqualTo(0.08);
  }
}
