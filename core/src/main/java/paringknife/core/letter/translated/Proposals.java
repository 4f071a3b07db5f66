package paringknife.core.letter.translated;

import java.util.ArrayList;
import java.util.List;

/** Asks a translator for what nobody has translated yet, or what says something else by now. */
public final class Proposals {
  private final Translator translator;

  public Proposals(Translator translator) {
    this.translator = translator;
  }

  /**
   * What it has an answer for. What it answers in part stays open.
   *
   * @throws IllegalArgumentException when it does not know the languages
   */
  public List<TranslatedSentence> of(List<SentencePair> pairs, String from, String to) {
    List<SentencePair> open =
        pairs.stream()
            .filter(p -> p.state() == TranslatedSentence.State.OPEN || p.isChanged())
            .toList();
    List<Translator.Proposal> answers =
        translator.translate(from, to, open.stream().map(p -> p.said().text()).toList());
    List<TranslatedSentence> proposed = new ArrayList<>();
    for (int i = 0; i < open.size(); i++) {
      Translator.Proposal answer = answers.get(i);
      if (!answer.text().isBlank()) {
        proposed.add(
            open.get(i)
                .as(
                    answer.text(),
                    answer.isWhole()
                        ? TranslatedSentence.State.PROPOSED
                        : TranslatedSentence.State.OPEN));
      }
    }
    return proposed;
  }
}
