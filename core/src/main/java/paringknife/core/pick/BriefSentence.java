package paringknife.core.pick;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Reads a brief from a plain English sentence, such as "three clips under a minute about ice,
 * nothing with swearing". What it does not understand it leaves as it was, and it says what it
 * understood.
 */
public final class BriefSentence {
  /** A brief, and what of the sentence was understood, in words. */
  public record Understood(Brief brief, List<String> understood) {}

  /** The patterns below look back and forth, so what they look at is short. */
  private static final int LONGEST = 500;

  private static final List<String> NUMBERS =
      List.of(
          "no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten",
          "eleven", "twelve");
  private static final String NUMBER =
      "(\\d+(?:\\.\\d+)?|an?|half an?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|fifteen|twenty|thirty|forty|fifty|sixty|ninety)";
  private static final String UNIT = "(seconds?|secs?|s|minutes?|mins?|min)\\b";
  private static final Pattern COUNT =
      Pattern.compile(
          "\\b" + NUMBER + "\\s+(?:\\w+\\s+){0,2}?(?:clips?|picks?|moments?|shorts?|pieces?)\\b");
  private static final Pattern SHARE =
      Pattern.compile(
          "\\b(?:(\\d{1,2}(?:\\.\\d+)?)\\s*(?:%|per ?cent)|(a tenth|a fifth|a quarter|a third|half)\\s+of\\s+(?:it|the (?:episode|talk|whole)))");
  private static final Map<String, Double> FRACTIONS =
      Map.of("a tenth", 0.1, "a fifth", 0.2, "a quarter", 0.25, "a third", 1 / 3.0, "half", 0.5);
  private static final Pattern BETWEEN =
      Pattern.compile(
          "\\b(?:between|from)?\\s*"
              + NUMBER
              + "\\s*"
              + "(?:"
              + UNIT
              + ")?\\s*(?:and|to|-|\u2013)\\s*"
              + NUMBER
              + "\\s*"
              + UNIT);
  private static final Pattern MOST =
      Pattern.compile(
          "\\b(?:under|below|at most|up to|no longer than|shorter than|less than|within|max(?:imum)?)\\s+"
              + NUMBER
              + "\\s*"
              + UNIT);
  private static final Pattern LEAST =
      Pattern.compile(
          "\\b(?<!no )(?:over|above|at least|longer than|more than|min(?:imum)?)\\s+"
              + NUMBER
              + "\\s*"
              + UNIT);
  private static final Pattern ROUGHLY =
      Pattern.compile("\\b(?:about|around|roughly|of)\\s+" + NUMBER + "\\s*" + UNIT);
  private static final Pattern AVOIDING =
      Pattern.compile(
          "\\b(?:nothing (?:about|with|on)|not about|without|avoid(?:ing)?|but no|and no|no mention of|leave out)\\s+([^,.;]+)");
  private static final Pattern ABOUT =
      Pattern.compile(
          "\\b(?:about|on|of)\\s+([^,.;]+?)(?=\\s+(?:but|nothing|without|not|under|over|between|at most|at least|avoid)\\b|[,.;]|$)");

  /** English words a producer means by swearing; mild, and common practice. */
  private static final List<String> SWEARING =
      List.of(
          "damn", "damned", "hell", "bloody", "bugger", "bastard", "crap", "shit", "shitty", "fuck",
          "fucking", "arse", "ass", "piss", "pissed");

  private BriefSentence() {}

  /** Reads a sentence over a brief that holds where it says nothing. */
  public static Understood read(String sentence, Brief otherwise) {
    if (sentence.length() > LONGEST) {
      throw new IllegalArgumentException("A brief in words has up to " + LONGEST + " characters.");
    }
    String text = sentence.toLowerCase(Locale.ROOT).replaceAll("\\s+", " ").strip();
    List<String> understood = new ArrayList<>();
    Matcher counted = COUNT.matcher(text);
    boolean isCounted = counted.find() && number(counted.group(1)) >= 1;
    int count = isCounted ? (int) Math.min(100, number(counted.group(1))) : otherwise.count();
    if (isCounted) {
      understood.add(count == 1 ? "one pick" : count + " picks");
    }
    Double share = share(text, isCounted ? null : otherwise.share(), understood);
    long[] lengths = lengths(text, otherwise, understood);
    Set<String> avoid = new LinkedHashSet<>();
    Set<String> unheard = new LinkedHashSet<>();
    String rest = text;
    Matcher avoiding = AVOIDING.matcher(text);
    while (avoiding.find()) {
      rest = rest.replace(avoiding.group(), ",");
      for (String subject : subjects(avoiding.group(1))) {
        if (subject.matches("swear(?:ing|s)?|swear words|cursing|bad language")) {
          unheard.addAll(SWEARING);
          understood.add("no swearing");
        } else {
          avoid.add(subject);
          understood.add("not about " + subject);
        }
      }
    }
    for (Pattern length : List.of(SHARE, BETWEEN, MOST, LEAST, ROUGHLY)) {
      rest = length.matcher(rest).replaceAll(",");
    }
    Set<String> about = new LinkedHashSet<>();
    Matcher asked = ABOUT.matcher(rest);
    while (asked.find()) {
      about.addAll(subjects(asked.group(1)));
    }
    about.forEach(a -> understood.add("about " + a));
    Brief brief =
        new Brief(
            count,
            lengths[0],
            lengths[1],
            about.isEmpty() ? otherwise.subjects() : List.copyOf(about),
            avoid.isEmpty() ? otherwise.avoid() : List.copyOf(avoid),
            unheard.isEmpty() ? otherwise.unheard() : List.copyOf(unheard),
            share,
            otherwise.specs());
    return new Understood(brief, understood);
  }

  private static @Nullable Double share(
      String text, @Nullable Double otherwise, List<String> understood) {
    Matcher shared = SHARE.matcher(text);
    if (!shared.find()) {
      return otherwise;
    }
    double asked =
        shared.group(1) != null
            ? Double.parseDouble(shared.group(1)) / 100
            : FRACTIONS.get(shared.group(2));
    if (asked <= 0 || asked > 0.9) {
      return otherwise;
    }
    understood.add(Math.round(asked * 100) + " % of the episode as one clip");
    return asked;
  }

  private static long[] lengths(String text, Brief otherwise, List<String> understood) {
    long shortest = otherwise.shortestUs();
    long longest = otherwise.longestUs();
    Matcher between = BETWEEN.matcher(text);
    Matcher most = MOST.matcher(text);
    Matcher least = LEAST.matcher(text);
    Matcher roughly = ROUGHLY.matcher(text);
    if (between.find()) {
      shortest =
          micros(between.group(1), between.group(2) == null ? between.group(4) : between.group(2));
      longest = micros(between.group(3), between.group(4));
      understood.add(seconds(shortest) + " to " + seconds(longest) + " s");
    } else {
      boolean hasMost = most.find();
      boolean hasLeast = least.find();
      if (hasMost) {
        longest = micros(most.group(1), most.group(2));
        understood.add("at most " + seconds(longest) + " s");
      }
      if (hasLeast) {
        shortest = micros(least.group(1), least.group(2));
        understood.add("at least " + seconds(shortest) + " s");
      }
      if (!hasMost && !hasLeast && roughly.find()) {
        long wanted = micros(roughly.group(1), roughly.group(2));
        shortest = wanted * 8 / 10;
        longest = wanted * 12 / 10;
        understood.add("about " + seconds(wanted) + " s");
      }
      if (hasMost && !hasLeast && shortest > longest) {
        shortest = longest / 3;
      }
      if (hasLeast && !hasMost && longest < shortest) {
        longest = shortest * 2;
      }
    }
    shortest = Math.max(1_000_000, Math.min(shortest, longest));
    return new long[] {shortest, Math.max(shortest, longest)};
  }

  private static List<String> subjects(String text) {
    List<String> found = new ArrayList<>();
    for (String part : text.split("\\s+(?:and|or)\\s+|,")) {
      String clean =
          part.replaceAll("^(?:the|a|an|any|some)\\s+", "")
              .replaceAll("[^\\p{L}\\p{N}' -]", "")
              .strip();
      if (!clean.isEmpty() && clean.length() <= 40) {
        found.add(clean);
      }
    }
    return found;
  }

  private static double number(String word) {
    return switch (word) {
      case "a", "an" -> 1;
      case "half a", "half an" -> 0.5;
      case "fifteen" -> 15;
      case "twenty" -> 20;
      case "thirty" -> 30;
      case "forty" -> 40;
      case "fifty" -> 50;
      case "sixty" -> 60;
      case "ninety" -> 90;
      default -> NUMBERS.contains(word) ? NUMBERS.indexOf(word) : Double.parseDouble(word);
    };
  }

  private static long micros(String number, String unit) {
    return Math.round(number(number) * (unit.startsWith("m") ? 60 : 1) * 1e6);
  }

  private static String seconds(long us) {
    return String.format(Locale.ROOT, us % 1_000_000 == 0 ? "%.0f" : "%.1f", us / 1e6);
  }
}
