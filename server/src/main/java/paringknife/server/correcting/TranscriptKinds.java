package paringknife.server.correcting;

import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import paringknife.server.web.JsonKinds;

/** What corrections are called in JSON. */
@Configuration
class TranscriptKinds {
  @Bean
  JsonKinds corrections() {
    Map<String, Class<?>> kinds = new LinkedHashMap<>();
    kinds.put("replace", TranscriptIntent.Replace.class);
    kinds.put("replaceAll", TranscriptIntent.ReplaceAll.class);
    kinds.put("join", TranscriptIntent.Join.class);
    kinds.put("mark", TranscriptIntent.CyclePunctuation.class);
    kinds.put("capital", TranscriptIntent.Capital.class);
    kinds.put("accept", TranscriptIntent.Accept.class);
    kinds.put("paragraph", TranscriptIntent.BreakParagraph.class);
    kinds.put("reassign", TranscriptIntent.Reassign.class);
    kinds.put("nameSpeaker", TranscriptIntent.NameSpeaker.class);
    kinds.put("typeIn", TranscriptIntent.TypeIn.class);
    kinds.put("punctuate", TranscriptIntent.Punctuate.class);
    return new JsonKinds(TranscriptIntent.class, kinds);
  }
}
