package paringknife.core.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** XLIFF 2.1 (OASIS); that others read what is written is checked elsewhere. */
class XliffTest {
  private static final String HEAD =
      "<xliff xmlns=\"urn:oasis:names:tc:xliff:document:2.0\" version=\"2.1\" srcLang=\"en\" trgLang=\"fr\"><file id=\"f\">";

  @Test
  void whatIsWrittenIsReadAgain() {
    Xliff file =
        new Xliff(
            "en",
            "de",
            List.of(
                new Xliff.Unit(
                    "w0-3",
                    "Ada",
                    "\"5 < 6\" & so on",
                    "„5 < 6“ & so weiter",
                    Xliff.State.REVIEWED),
                new Xliff.Unit("w4-9", "", "No target {\\an8}", "", Xliff.State.INITIAL)));
    Xliff read = Xliff.read(file.write("A \u0000 clip's \"name\""));
    assertThat(read.from()).isEqualTo("en");
    assertThat(read.to()).isEqualTo("de");
    assertThat(read.units())
        .containsExactly(
            new Xliff.Unit(
                "w0-3", "", "\"5 < 6\" & so on", "„5 < 6“ & so weiter", Xliff.State.REVIEWED),
            new Xliff.Unit("w4-9", "", "No target {\\an8}", "", Xliff.State.INITIAL));
  }

  /** After the examples of the specification's sections on segmentation and inline codes. */
  @Test
  void segmentsAreJoinedAndCodesLeaveTheirText() {
    Xliff read =
        Xliff.read(
            HEAD
                + "<unit id=\"u1\"><notes><note>Not this.</note></notes>"
                + "<originalData><data id=\"d1\">&lt;b></data></originalData>"
                + "<segment state=\"final\"><source>First <pc id=\"1\" dataRefStart=\"d1\">sentence</pc>.</source>"
                + "<target>Première <pc id=\"1\">phrase</pc>.</target></segment>"
                + "<ignorable><source> </source><target> </target></ignorable>"
                + "<segment state=\"translated\"><source>Second<ph id=\"2\"/> one.</source><target>Deuxième<ph id=\"2\"/>.</target></segment>"
                + "</unit><unit id=\"u2\"><segment><source>Open.</source></segment></unit></file></xliff>");
    assertThat(read.units())
        .containsExactly(
            new Xliff.Unit(
                "u1",
                "",
                "First sentence. Second one.",
                "Première phrase. Deuxième.",
                Xliff.State.TRANSLATED),
            new Xliff.Unit("u2", "", "Open.", "", Xliff.State.INITIAL));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "no xml",
        "<xliff version=\"1.2\" xmlns=\"urn:oasis:names:tc:xliff:document:1.2\"><file/></xliff>",
        "<tt xmlns=\"http://www.w3.org/ns/ttml\"/>",
        HEAD + "</file></xliff>",
        HEAD + "<unit id=\"u1\"><segment><source>A",
        HEAD
            + "<unit id=\"u\"><segment><source>A</source></segment></unit><unit id=\"u\"><segment><source>B</source></segment></unit></file></xliff>",
        "<!DOCTYPE x [<!ENTITY e SYSTEM \"file:///etc/passwd\">]>"
            + HEAD
            + "<unit id=\"u\"><segment><source>&e;</source></segment></unit></file></xliff>",
        "<!DOCTYPE x [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;&a;&a;&a;&a;\">]>"
            + HEAD
            + "<unit id=\"u\"><segment><source>&b;&b;&b;</source></segment></unit></file></xliff>"
      })
  void whatIsNoneIsRefusedWithAWord(String text) {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> Xliff.read(text))
        .satisfies(e -> assertThat(e.getMessage()).isNotBlank());
  }
}
