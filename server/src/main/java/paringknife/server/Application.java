package paringknife.server;

import java.nio.file.Path;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.core.env.Environment;
import org.springframework.scheduling.annotation.EnableScheduling;
import paringknife.core.letter.translated.Translator;
import paringknife.media.language.PhraseBook;
import paringknife.media.store.CaptionFonts;
import paringknife.media.store.LogoPictures;
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
  LogoPictures logoPictures(DataFolder data) {
    return new LogoPictures(data.logos());
  }

  @Bean
  ClipRenderer clipRenderer(CaptionFonts fonts, LogoPictures logos) {
    return new ClipRenderer(fonts, logos);
  }
}
