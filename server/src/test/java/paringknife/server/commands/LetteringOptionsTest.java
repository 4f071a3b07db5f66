package paringknife.server.commands;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.clip.HouseStyle;
import paringknife.core.clip.NamedStyle;
import paringknife.core.frame.Ground;
import paringknife.core.letter.Lettered;
import paringknife.core.letter.cue.CaptionUse;
import paringknife.core.letter.fonts.Typefaces;
import paringknife.media.store.CaptionFonts;
import paringknife.media.store.StylePictures;
import paringknife.server.letterings.StyleFile;
import picocli.CommandLine;

/**
 * What is asked for on the command line counts before the style of a file, and that before what is
 * usual.
 */
class LetteringOptionsTest {
  @TempDir Path folder;

  private String file;

  @BeforeEach
  void saveAStyle() throws Exception {
    HouseStyle beside = HouseStyle.of(Lettered.in("heron").with(CaptionUse.BESIDE));
    file =
        Files.writeString(
                folder.resolve("style.json"),
                StyleFile.write(
                    new NamedStyle("Beside", beside), List.of(), StyleFile.Pictures.NONE))
            .toString();
  }

  private static Lettered asked(String... arguments) throws Exception {
    return CommandLine.populateCommand(new LetteringOptions(), arguments).house().lettered();
  }

  @Test
  void captionsGoWhereTheStyleHasThem() throws Exception {
    assertThat(asked().used()).isEqualTo(CaptionUse.BOTH);
    assertThat(asked("--style", file).used()).isEqualTo(CaptionUse.BESIDE);
    assertThat(asked("--style", file, "--captions", "burnt").used()).isEqualTo(CaptionUse.BURNT);
    assertThat(asked("--style", file, "--captions", "both").used()).isEqualTo(CaptionUse.BOTH);
    assertThatIllegalArgumentException()
        .isThrownBy(() -> asked("--captions", "sung"))
        .withMessageContaining("burnt, beside, both or none");
  }

  @Test
  void theLetteringIsTheOneAskedForOrTheStyles() throws Exception {
    assertThat(asked().lettering()).isEqualTo("sluice");
    assertThat(asked("--style", file).lettering()).isEqualTo("heron");
    assertThat(asked("--style", file, "--lettering", "ledger").lettering()).isEqualTo("ledger");
    assertThat(asked("--style", file, "--words", "1").asSet().breaking().words()).isEqualTo(1);
  }

  @Test
  void theGroundBehindPeopleTravelsWithAStyle() throws Exception {
    String text = Files.readString(Path.of(file));
    assertThat(StyleFile.read(text, "style.json").behind()).isNull();
    HouseStyle soft = StyleFile.read("{\"lettering\":\"heron\",\"behind\":\"SOFT\"}", "style.json");
    String written =
        StyleFile.write(new NamedStyle("Soft", soft), List.of(), StyleFile.Pictures.NONE);
    assertThat(StyleFile.read(written, "style.json").behind()).isEqualTo(Ground.SOFT);
    Path kept = Files.writeString(folder.resolve("soft.json"), written);
    LetteringOptions options =
        CommandLine.populateCommand(new LetteringOptions(), "--style", kept.toString());
    assertThat(options.house().behind()).isEqualTo(Ground.SOFT);
    for (String wrong : List.of("\"GREEN\"", "7", "[]", "{\"ground\":\"SOFT\"}")) {
      assertThatIllegalArgumentException()
          .isThrownBy(
              () ->
                  StyleFile.read(
                      "{\"lettering\":\"heron\",\"behind\":" + wrong + "}", "style.json"))
          .withMessageContaining("style.json is no style");
    }
  }

  @Test
  void aBackdropThatDidNotComeAlongIsMissedAtOnce() throws Exception {
    String text =
        "{\"lettering\":\"heron\",\"behind\":\"PICTURE\",\"backdrop\":{\"picture\":\""
            + "0".repeat(64)
            + "\",\"aspect\":1}}";
    Path lost = Files.writeString(folder.resolve("lost.json"), text);
    LetteringOptions options =
        CommandLine.populateCommand(new LetteringOptions(), "--style", lost.toString());
    assertThatIllegalArgumentException()
        .isThrownBy(() -> options.house(StylePictures.in(folder.resolve("pictures"))))
        .withMessageContaining("backdrop did not come with it");
    assertThatIllegalArgumentException()
        .isThrownBy(
            () -> StyleFile.read("{\"lettering\":\"heron\",\"behind\":\"PICTURE\"}", "a.json"))
        .withMessageContaining("picture that is not there");
  }

  /** On the command line, too, a style is set in the fonts that came with it. */
  @Test
  void fontsThatCameWithAStyleAreLaidOut() throws Exception {
    byte[] font = Files.readAllBytes(Path.of("/usr/share/fonts/truetype/dejavu/DejaVuSerif.ttf"));
    HouseStyle style = HouseStyle.of(Lettered.in("heron"));
    Path carrying =
        Files.writeString(
            folder.resolve("carrying.json"),
            StyleFile.write(new NamedStyle("Set", style), List.of(font), StyleFile.Pictures.NONE));
    LetteringOptions options =
        CommandLine.populateCommand(new LetteringOptions(), "--style", carrying.toString());
    CaptionFonts laidOut = options.laidOut(folder.resolve("fonts"));
    try {
      assertThat(laidOut.ownOf(List.of("DejaVu Serif"))).hasSize(1);
      assertThat(options.house()).isEqualTo(style);
    } finally {
      Typefaces.installed().forEach(t -> laidOut.remove(t.files().get(0)));
    }
  }
}
