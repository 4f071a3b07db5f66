package paringknife.media.transcripts;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Our transcript JSON: {@code {"language","speakers":[...],"words":[{"text","start","end",
 * "speaker","confidence"}]}}, times in seconds. Written with three decimals.
 */
public final class TranscriptJson {
  private static final JsonMapper JSON = new JsonMapper();

  private TranscriptJson() {}

  /**
   * Reads leniently: words out of order or ending before they start are mended and listed.
   *
   * @throws IllegalArgumentException when it is not JSON of this form
   */
  public static Transcript read(String text, List<String> mended) {
    JsonNode root;
    try {
      root = JSON.readTree(text);
    } catch (JacksonException e) {
      throw new IllegalArgumentException("it is not valid JSON");
    }
    if (!root.path("words").isArray() || root.path("words").isEmpty()) {
      throw new IllegalArgumentException("it has no words");
    }
    List<String> speakers = new ArrayList<>();
    root.path("speakers").forEach(s -> speakers.add(s.asString("")));
    List<Word> words = new ArrayList<>();
    int backwards = 0;
    for (JsonNode node : root.path("words")) {
      JsonNode start = node.path("start");
      JsonNode end = node.path("end");
      if (!start.isNumber() || !end.isNumber() || !node.path("text").isString()) {
        throw new IllegalArgumentException("a word lacks its text, start or end");
      }
      long from = Math.max(0, Math.round(start.asDouble() * 1e6));
      long to = Math.round(end.asDouble() * 1e6);
      backwards += to < from ? 1 : 0;
      int speaker = node.path("speaker").asInt(-1);
      words.add(
          new Word(
              words.size(),
              node.path("text").asString(),
              from,
              Math.max(from, to),
              speaker < speakers.size() ? speaker : -1,
              node.path("confidence").asDouble(0.95)));
    }
    List<Word> ordered = new ArrayList<>(words);
    ordered.sort(Comparator.comparingLong(Word::startUs));
    if (backwards > 0) {
      mended.add(backwards + " words ended before they started");
    }
    if (!ordered.equals(words)) {
      mended.add("words were not in order of time");
      ordered = renumbered(ordered);
    }
    return new Transcript(root.path("language").asString("en"), speakers, ordered);
  }

  private static List<Word> renumbered(List<Word> words) {
    List<Word> numbered = new ArrayList<>();
    for (Word w : words) {
      numbered.add(
          new Word(numbered.size(), w.text(), w.startUs(), w.endUs(), w.speaker(), w.confidence()));
    }
    return numbered;
  }

  public static String write(Transcript transcript) {
    ObjectNode root = JSON.createObjectNode();
    root.put("language", transcript.language());
    ArrayNode speakers = root.putArray("speakers");
    transcript.speakers().forEach(speakers::add);
    ArrayNode words = root.putArray("words");
    for (Word word : transcript.words()) {
      ObjectNode node = words.addObject();
      node.put("text", word.text());
      node.put("start", seconds(word.startUs()));
      node.put("end", seconds(word.endUs()));
      node.put("speaker", word.speaker());
      node.put("confidence", word.confidence());
    }
    return JSON.writeValueAsString(root);
  }

  private static double seconds(long us) {
    return Math.round(us / 1e3) / 1e3;
  }
}
