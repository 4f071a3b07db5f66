package paringknife.server.clips;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.core.clip.ClipDelta;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.cut.Means;
import paringknife.core.clip.cut.Reason;
import paringknife.core.deliver.Delivered;
import paringknife.core.frame.Framed;
import paringknife.core.frame.Layout;
import paringknife.core.frame.Shape;
import paringknife.core.letter.Lettered;
import paringknife.core.letter.cue.CaptionEdit;
import paringknife.core.listen.clean.Cleanup;
import paringknife.core.listen.clean.Sounded;
import paringknife.core.time.Span;
import paringknife.server.RunningApplication;
import tools.jackson.databind.json.JsonMapper;

/** One document of every schema that was ever written, opened. */
class ClipFormatTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static ClipFormat format() {
    return new ClipFormat(APP.part(JsonMapper.class));
  }

  private static String written(String name) throws Exception {
    try (var in = ClipFormatTest.class.getResourceAsStream("/clips/" + name)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  @Test
  void theFirstFormIsBroughtUpToThePresentOne() throws Exception {
    ClipDocument clip = format().document(written("schema-1.json"));
    assertThat(clip.schema()).isEqualTo(ClipDocument.SCHEMA);
    assertThat(clip.delivered()).isEqualTo(new Delivered("The pond", List.of("vertical-60")));
    assertThat(clip.framed()).isEqualTo(Framed.of(new Shape(4, 5), new Layout.One(1)));
    assertThat(clip.lettered()).isEqualTo(Lettered.in("ledger"));
    assertThat(clip.sounded()).isEqualTo(new Sounded(new Cleanup(false, true, false, true)));
    assertThat(clip.pared().speed()).isEqualTo(1.05);
    assertThat(clip.pared().nextId()).isEqualTo(4);
    assertThat(clip.pared().gaps()).hasSize(1);
    assertThat(clip.pared().removals())
        .extracting(r -> r.reason())
        .containsExactly(Reason.BY_HAND, Reason.PAUSE);
    assertThat(clip.pared().removals().get(1).means()).isEqualTo(Means.CUT);
  }

  @Test
  void itsOldestFormLacksWhatCameLater() throws Exception {
    ClipDocument clip = format().document(written("schema-1-oldest.json"));
    assertThat(clip.pared().speed()).isEqualTo(1);
    assertThat(clip.pared().gaps()).isEmpty();
    assertThat(clip.sounded()).isEqualTo(Sounded.AS_RECORDED);
    assertThat(clip.pared().stretches()).containsExactly(new Span(0, 5_000_000));
  }

  @Test
  void thePresentFormIsReadAsItWasWritten() throws Exception {
    ClipDocument clip = format().document(written("schema-2.json"));
    assertThat(clip.title()).isEqualTo("The pond");
    assertThat(clip.lettered().editsOf(Lettered.SPOKEN))
        .containsExactly(new CaptionEdit.BreakBefore(12), new CaptionEdit.ShowAs(14, "twenty"));
    assertThat(format().document(format().write(clip))).isEqualTo(clip);
  }

  /** Schema 3 knew one camera only. */
  @Test
  void whatWasFramedByHandInTheThirdFormStays() throws Exception {
    ClipDocument clip = format().document(written("schema-3.json"));
    assertThat(clip.schema()).isEqualTo(ClipDocument.SCHEMA);
    assertThat(clip.framed().set()).hasSize(1);
    assertThat(clip.framed().pushIns()).singleElement().matches(p -> p.share() == 0.12);
    assertThat(clip.framed().cameras()).isEmpty();
    assertThat(format().document(format().write(clip))).isEqualTo(clip);
  }

  @Test
  void stepsOfTheFirstFormGoBothWays() throws Exception {
    ClipDocument now = format().document(written("schema-1.json"));
    ClipDelta pared = format().delta(written("schema-1-step-pared.json"));
    ClipDocument before = pared.backwards(now);
    assertThat(before.pared().removals()).hasSize(1);
    assertThat(before.pared().gaps()).as("untouched").isEqualTo(now.pared().gaps());
    assertThat(pared.forwards(before)).isEqualTo(now);

    ClipDelta settled = format().delta(written("schema-1-step-settled.json"));
    ClipDocument earlier = settled.backwards(now);
    assertThat(earlier.title()).isEqualTo("Ice");
    assertThat(earlier.pared().speed()).isEqualTo(1);
    assertThat(earlier.framed().shape()).isEqualTo(new Shape(9, 16));
    assertThat(earlier.pared().removals()).isEqualTo(now.pared().removals());
    assertThat(settled.forwards(earlier)).isEqualTo(now);
  }

  @Test
  void aStepCarriesTheSectionThatChangedAndNoOther() {
    ClipDocument before =
        ClipDocument.of(
            List.of(new Span(0, 9_000_000)),
            Framed.UPRIGHT,
            Lettered.in("sluice"),
            new Delivered("Ice", List.of()));
    ClipDelta renamed =
        ClipDelta.between(before, before.with(before.delivered().withTitle("Snow")));
    assertThat(renamed.delivered()).isNotNull();
    assertThat(renamed.pared()).isNull();
    assertThat(renamed.framed()).isNull();
    ClipDelta read = format().delta(format().writeDelta(renamed));
    assertThat(read).isEqualTo(renamed);
    assertThat(read.forwards(before).title()).isEqualTo("Snow");
  }
}
