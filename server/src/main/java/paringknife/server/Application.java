package paringknife.server;

import java.nio.file.Path;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.core.env.Environment;
import org.springframework.scheduling.annotation.EnableScheduling;
import paringknife.core.letter.translated.Translator;
import paringknife.media.language.PhraseBook;
import paringknife.media.store.CaptionFonts;
import paringknife.media.store.StylePictures;
import paringknife.server.episodes.ClipRenderer;
import paringknife.server.episodes.DataFolder;

/** The web application. */
@SpringBootApplication
@EnableScheduling
public class Application {
  @Bean
  DataFolder dataFolder(Environment environment) {
    return new DataFolder(
        Path.of(environment.getRequiredProperty("paring-knife.data")).toAbsolutePath(),
        Path.of(environment.getRequiredProperty("paring-knife.media")).toAbsolutePath());
  }

  @Bean
  CaptionFonts captionFonts(DataFolder data) {
    return new CaptionFonts(data.fonts());
  }

  /** A real service takes its place here. */
  @Bean
  Translator translator() {
    return PhraseBook.shipped();
  }

  @Bean
  StylePictures stylePictures(DataFolder data) {
    return StylePictures.in(data.stylePictures());
  }

  @Bean
  ClipRenderer clipRenderer(CaptionFonts fonts, StylePictures pictures) {
    return new ClipRenderer(fonts, pictures);
  }
}
