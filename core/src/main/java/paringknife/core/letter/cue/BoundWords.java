package paringknife.core.letter.cue;

import java.util.Locale;
import java.util.Set;
import paringknife.core.transcript.Word;

/**
 * Words that are not parted from the one that follows them: articles, prepositions, conjunctions,
 * possessives, titles, and numbers from what they count (BBC Subtitle Guidelines, "Line breaks";
 * the lists are from memory). German pronouns are not among them: verb and subject change places,
 * so that a pronoun belongs as often to the word before.
 */
final class BoundWords {
  private static final Set<String> ENGLISH =
      Set.of(
          ("a an the of to in on at for with by from into onto over under about through between after"
                  + " before without within against and or but nor my your his her its our their this"
                  + " that these those i we he she they is are was were no not very so as if than mr mrs"
                  + " ms dr st one two three four five six seven eight nine ten eleven twelve thirteen"
                  + " fourteen fifteen sixteen seventeen eighteen nineteen twenty thirty forty fifty"
                  + " sixty seventy eighty ninety hundred half")
              .split(" "));
  private static final Set<String> GERMAN =
      Set.of(
          ("der die das den dem des ein eine einen einem einer eines von zu zum zur in im an am auf"
                  + " für mit bei aus nach vor über unter durch zwischen ohne gegen und oder aber mein"
                  + " dein sein ihr unser euer kein keine nicht sehr so als wie wenn"
                  + " zwei drei vier fünf sechs sieben acht neun zehn elf zwölf hundert")
              .split(" "));
  private static final Set<String> FRENCH =
      Set.of(
          ("le la les un une des de du à au aux en dans sur sous pour avec par sans chez vers entre et"
                  + " ou mais ni mon ma mes ton ta tes son sa ses notre nos votre vos leur leurs ce cet"
                  + " cette ces je tu il elle nous vous ne pas très si que deux trois quatre cinq six"
                  + " sept huit neuf dix cent")
              .split(" "));
  private static final Set<String> SPANISH =
      Set.of(
          ("el la los las un una unos unas de del a al en con por para sin sobre entre hasta desde y o"
                  + " e u pero ni mi mis tu tus su sus nuestro nuestra este esta estos estas yo no muy"
                  + " si que dos tres cuatro cinco seis siete ocho nueve diez cien")
              .split(" "));
  private static final Set<String> ITALIAN =
      Set.of(
          ("il lo la i gli le un uno una di del della dei delle a al alla ai alle da dal dalla in nel"
                  + " nella con su sul sulla per tra fra e o ma né mio mia tuo tua suo sua questo questa"
                  + " io non molto se che due tre quattro cinque sei sette otto nove dieci cento")
              .split(" "));

  private final Set<String> words;

  private BoundWords(Set<String> words) {
    this.words = words;
  }

  /** Those of a language (BCP 47); of a language without a list only numbers are bound. */
  static BoundWords of(String language) {
    return new BoundWords(
        switch (language.toLowerCase(Locale.ROOT).split("[-_]", 2)[0]) {
          case "en", "" -> ENGLISH;
          case "de" -> GERMAN;
          case "fr" -> FRENCH;
          case "es" -> SPANISH;
          case "it" -> ITALIAN;
          default -> Set.of();
        });
  }

  /** Whether a word belongs to what follows; what ends a clause does not. */
  boolean bindsToNext(Word word) {
    if (word.endsClause()) {
      return false;
    }
    String bare = word.bare();
    return words.contains(bare) || !bare.isEmpty() && Character.isDigit(bare.charAt(0));
  }
}
