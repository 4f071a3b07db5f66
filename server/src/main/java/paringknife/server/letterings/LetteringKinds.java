package paringknife.server.letterings;

import java.util.Map;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import paringknife.core.letter.style.Entrance;
import paringknife.core.letter.style.SpokenMark;
import paringknife.server.web.JsonKinds;

/** What the kinds of marks and entrances are called in JSON. */
@Configuration
class LetteringKinds {
  static final JsonKinds MARKS =
      new JsonKinds(
          SpokenMark.class,
          Map.of(
              "unmarked", SpokenMark.Unmarked.class,
              "inColour", SpokenMark.InColour.class,
              "box", SpokenMark.Box.class,
              "larger", SpokenMark.Larger.class,
              "underlined", SpokenMark.Underlined.class,
              "lit", SpokenMark.Lit.class,
              "filled", SpokenMark.Filled.class,
              "alone", SpokenMark.Alone.class));
  static final JsonKinds ENTRANCES =
      new JsonKinds(
          Entrance.class,
          Map.of(
              "atOnce", Entrance.AtOnce.class,
              "fade", Entrance.Fade.class,
              "pop", Entrance.Pop.class,
              "rise", Entrance.Rise.class,
              "wordByWord", Entrance.WordByWord.class));

  @Bean
  JsonKinds marks() {
    return MARKS;
  }

  @Bean
  JsonKinds entrances() {
    return ENTRANCES;
  }
}
