package paringknife.core.deliver;

import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * Names finished files so that any file system and any destination takes them: letters, marks and
 * digits of every script in Unicode's composed form (NFC), small, hyphens for everything else,
 * shortened by bytes. POSIX lets a name have 255 bytes; what Windows reserves (Microsoft, "Naming
 * Files, Paths, and Namespaces") is never a whole name, and no name ends in a dot or a blank.
 */
public final class FileNames {
  /** A part of a name is at most this long, in bytes of UTF-8. */
  private static final int LONGEST_BYTES = 72;

  private static final Set<String> RESERVED = Set.of("con", "prn", "aux", "nul");

  private final Set<String> given = new HashSet<>();

  /** The last number that made a name one of its own; numbers before it are taken. */
  private final Map<String, Integer> numbers = new HashMap<>();

  /** A name that nothing has yet among those asked for here; a number makes it so. */
  public String unique(String name) {
    String folded = folded(name);
    if (given.add(folded)) {
      return name;
    }
    int number = numbers.getOrDefault(folded, 1) + 1;
    while (!given.add(folded(name + "-" + number))) {
      number++;
    }
    numbers.put(folded, number);
    return name + "-" + number;
  }

  /** The same for names that a file system without regard to case takes for one. */
  private static String folded(String name) {
    return Normalizer.normalize(name, Normalizer.Form.NFC)
        .toUpperCase(Locale.ROOT)
        .toLowerCase(Locale.ROOT);
  }

  /** A text as a part of a name, or a whole one. */
  public static String part(String text) {
    String small = Normalizer.normalize(text, Normalizer.Form.NFC).toLowerCase(Locale.ROOT);
    StringBuilder name = new StringBuilder();
    int bytes = 0;
    for (int i = 0; i < small.length(); i += Character.charCount(small.codePointAt(i))) {
      int c = small.codePointAt(i);
      boolean stays = Character.isLetterOrDigit(c) || isMark(c) && !name.isEmpty();
      String shown = stays ? Character.toString(c) : "-";
      if (!stays && (name.isEmpty() || name.charAt(name.length() - 1) == '-')) {
        continue;
      }
      bytes += shown.getBytes(StandardCharsets.UTF_8).length;
      if (bytes > LONGEST_BYTES) {
        break;
      }
      name.append(shown);
    }
    while (!name.isEmpty() && name.charAt(name.length() - 1) == '-') {
      name.setLength(name.length() - 1);
    }
    String plain = Normalizer.normalize(name, Normalizer.Form.NFC);
    return plain.isEmpty() || isReserved(plain) ? plain + "clip" : plain;
  }

  private static boolean isMark(int c) {
    int type = Character.getType(c);
    return type == Character.NON_SPACING_MARK
        || type == Character.COMBINING_SPACING_MARK
        || type == Character.ENCLOSING_MARK;
  }

  private static boolean isReserved(String name) {
    return RESERVED.contains(name)
        || name.length() == 4
            && (name.startsWith("com") || name.startsWith("lpt"))
            && Character.isDigit(name.charAt(3));
  }
}
