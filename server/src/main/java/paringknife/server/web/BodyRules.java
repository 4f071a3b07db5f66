package paringknife.server.web;

import io.swagger.v3.oas.annotations.media.Schema;
import java.lang.annotation.Annotation;
import java.lang.reflect.AnnotatedType;
import java.lang.reflect.RecordComponent;
import java.util.Collection;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What holds for the body of every request: nothing that has to be there is missing, numbers are
 * numbers, and texts and lists are no longer than they may be ({@link Schema#maxLength} where it is
 * not the usual). A component may be missing where it is {@link Nullable}.
 */
public final class BodyRules {
  static final int USUAL_TEXT = 2_000;
  static final int USUAL_LIST = 100_000;
  private static final int DEEPEST = 12;

  private BodyRules() {}

  /**
   * Looks at a body and all that is in it.
   *
   * @throws BadBody with a message for the user
   */
  public static void check(Object body) {
    check(body, "the request", USUAL_TEXT, USUAL_LIST, 0);
  }

  private static void check(
      @Nullable Object value, String name, int mostText, int mostList, int depth) {
    if (value == null) {
      throw new BadBody("There is no " + name + ".");
    }
    if (depth > DEEPEST) {
      throw new BadBody("The request holds too much in one another.");
    }
    if (value instanceof String text && text.length() > mostText) {
      throw new TooMuch(
          "Up to " + mostText + " characters can be taken for " + name + "; these are more.");
    }
    if (value instanceof Double number && !Double.isFinite(number)) {
      throw new BadBody("There is no number for " + name + ".");
    }
    if (value instanceof Collection<?> list) {
      refuseLong(list.size(), name, mostList);
      for (Object entry : list) {
        check(entry, "entry of " + name, USUAL_TEXT, USUAL_LIST, depth + 1);
      }
    }
    if (value instanceof Map<?, ?> map) {
      refuseLong(map.size(), name, mostList);
      map.forEach(
          (key, entry) -> check(entry, "entry of " + name, USUAL_TEXT, USUAL_LIST, depth + 1));
    }
    if (value instanceof Record record) {
      checkComponents(record, depth);
    }
  }

  private static void refuseLong(int size, String name, int most) {
    if (size > most) {
      throw new TooMuch("Up to " + most + " entries can be taken for " + name + ".");
    }
  }

  private static void checkComponents(Record record, int depth) {
    for (RecordComponent component : record.getClass().getRecordComponents()) {
      Object value = valueOf(record, component);
      if (value == null && isNullable(component)) {
        continue;
      }
      check(value, component.getName(), mostText(component), USUAL_LIST, depth + 1);
    }
  }

  private static @Nullable Object valueOf(Record record, RecordComponent component) {
    try {
      component.getAccessor().setAccessible(true);
      return component.getAccessor().invoke(record);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(e);
    }
  }

  static boolean isNullable(RecordComponent component) {
    AnnotatedType type = component.getAnnotatedType();
    for (Annotation annotation : type.getAnnotations()) {
      if (annotation.annotationType() == Nullable.class) {
        return true;
      }
    }
    return false;
  }

  private static int mostText(RecordComponent component) {
    Schema said = component.getAccessor().getAnnotation(Schema.class);
    return said == null || said.maxLength() == Integer.MAX_VALUE ? USUAL_TEXT : said.maxLength();
  }

  /** A body in which something is missing or wrong; the message is for the user. */
  public static final class BadBody extends RuntimeException {
    private static final long serialVersionUID = 1;

    BadBody(String message) {
      super(message);
    }
  }

  /** A body that holds more than is taken; the message is for the user. */
  static final class TooMuch extends RuntimeException {
    private static final long serialVersionUID = 1;

    TooMuch(String message) {
      super(message);
    }
  }
}
