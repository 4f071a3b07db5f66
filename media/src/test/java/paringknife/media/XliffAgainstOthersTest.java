package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import net.sf.okapi.lib.xliff2.core.Segment;
import net.sf.okapi.lib.xliff2.core.TargetState;
import net.sf.okapi.lib.xliff2.core.Unit;
import net.sf.okapi.lib.xliff2.document.XLIFFDocument;
import net.sf.okapi.lib.xliff2.reader.XLIFFReader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.formats.Xliff;

/**
 * What goes to a translator and comes back, by another implementation of OASIS XLIFF 2.1, which
 * checks it against the published schemas.
 */
class XliffAgainstOthersTest {
  private static final List<Xliff.Unit> SENTENCES =
      List.of(
          new Xliff.Unit(
              "w0-3",
              "Ada Moor",
              "Tide & \"mill\" <here>",
              "„Gezeiten“ & Mühle",
              Xliff.State.REVIEWED),
          new Xliff.Unit("w4-4", "", "{\\an8} nothing \u202eobeyed", "", Xliff.State.INITIAL),
          new Xliff.Unit(
              "w900000000000-900000000001",
              "Ben",
              "Ten past nine.",
              "العاشرة وتسع دقائق",
              Xliff.State.TRANSLATED));

  private static XLIFFDocument read(String text) {
    XLIFFDocument document = new XLIFFDocument();
    document.load(text, XLIFFReader.VALIDATION_MAXIMAL);
    return document;
  }

  @Test
  void anotherReaderFindsTheSameSentencesAndSchemasHold() {
    String written = new Xliff("en", "de", SENTENCES).write("A clip \"of\" one");
    XLIFFDocument document = read(written);
    List<Unit> units = document.getUnits();
    assertThat(units).hasSize(SENTENCES.size());
    for (int i = 0; i < units.size(); i++) {
      Xliff.Unit ours = SENTENCES.get(i);
      Segment segment = units.get(i).getSegment(0);
      assertThat(units.get(i).getId()).isEqualTo(ours.id());
      assertThat(segment.getSource().getPlainText()).isEqualTo(ours.source());
      assertThat(segment.getTarget() == null ? "" : segment.getTarget().getPlainText())
          .isEqualTo(ours.target());
      assertThat(segment.getState().toString())
          .isEqualTo(ours.state().name().toLowerCase(java.util.Locale.ROOT));
    }
  }

  /** A translation made with it, then written by it. */
  @Test
  void whatAnotherWriterMadeOfItIsRead(@TempDir Path folder) throws IOException {
    XLIFFDocument document = read(new Xliff("en", "de", SENTENCES).write("clip"));
    Segment open = document.getUnits().get(1).getSegment(0);
    open.setTarget("nichts & <wieder> nichts");
    open.setState(TargetState.FINAL);
    Path file = folder.resolve("back.xlf");
    document.saveAs(file.toFile());
    Xliff back = Xliff.read(Files.readString(file));
    assertThat(back.from()).isEqualTo("en");
    assertThat(back.to()).isEqualTo("de");
    assertThat(back.units())
        .extracting(Xliff.Unit::id)
        .containsExactlyElementsOf(SENTENCES.stream().map(Xliff.Unit::id).toList());
    assertThat(back.units().get(1))
        .isEqualTo(
            new Xliff.Unit(
                "w4-4",
                "",
                SENTENCES.get(1).source(),
                "nichts & <wieder> nichts",
                Xliff.State.FINAL));
    assertThat(back.units().get(2).target()).isEqualTo(SENTENCES.get(2).target());
  }
}
