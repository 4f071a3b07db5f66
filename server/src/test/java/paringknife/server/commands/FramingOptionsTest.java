package paringknife.server.commands;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.HouseStyle;
import paringknife.core.clip.cut.CutList;
import paringknife.core.deliver.Delivered;
import paringknife.core.frame.FrameDesk;
import paringknife.core.frame.Framed;
import paringknife.core.frame.Ground;
import paringknife.core.frame.PushInFinder;
import paringknife.core.frame.colour.SeenColours;
import paringknife.core.letter.Lettered;
import paringknife.core.time.Span;
import picocli.CommandLine;

class FramingOptionsTest {
  private static final Span ALL = new Span(0, 10_000_000);

  private static Framed framed(int people) {
    ClipDocument soft =
        ClipDocument.of(
            List.of(ALL),
            Framed.UPRIGHT.withBehind(Ground.SOFT),
            Lettered.in("heron"),
            new Delivered("One", List.of()));
    FrameDesk desk =
        new FrameDesk(
            people, 1, ALL.endUs(), mock(PushInFinder.class), mock(SeenColours.Source.class));
    FramingOptions options = new FramingOptions();
    new CommandLine(options).setCaseInsensitiveEnumValuesAllowed(true).parseArgs();
    return options.of(new CutList(List.of(ALL), List.of()), desk, HouseStyle.of(soft));
  }

  @Test
  void theGroundBehindPeopleIsThatOfTheStyleWhereThereAreAny() {
    assertThat(framed(2).behind()).isEqualTo(Ground.SOFT);
    assertThat(framed(0).behind()).isNull();
  }
}
