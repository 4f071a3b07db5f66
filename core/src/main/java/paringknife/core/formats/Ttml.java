package paringknife.core.formats;

import java.io.StringWriter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import javax.xml.stream.XMLStreamWriter;
import paringknife.core.time.Span;

/**
 * W3C TTML2 in the IMSC 1.1 text profile: paragraphs with {@code begin} and {@code end} or {@code
 * dur}.
 */
public final class Ttml {
  private static final String TT = "http://www.w3.org/ns/ttml";
  private static final String PARAMETER = "http://www.w3.org/ns/ttml#parameter";
  private static final Pattern CLOCK =
      Pattern.compile("(\\d{1,4}):(\\d{2}):(\\d{2})(?:\\.(\\d{1,9})|:(\\d{1,4}))?");
  private static final Pattern OFFSET =
      Pattern.compile("(\\d{1,15}(?:\\.\\d{1,9})?)(h|ms|m|s|f|t)");

  private Ttml() {}

  /**
   * Reads all paragraphs; nothing outside the document is fetched.
   *
   * @throws IllegalArgumentException when it is no TTML or holds no caption with a time
   */
  public static ImportedText read(String text) {
    return StrangersXml.read(text, xml -> new Reading().read(xml));
  }

  /** One document; times are relative to those of the elements around. */
  private static final class Reading {
    private final List<TimedText> cues = new ArrayList<>();
    private final List<long[]> around = new ArrayList<>();
    private double frameRate = 30;
    private double tickRate = 1;

    ImportedText read(XMLStreamReader xml) throws XMLStreamException {
      around.add(new long[] {0, Long.MAX_VALUE});
      while (xml.hasNext()) {
        int event = xml.next();
        if (event == XMLStreamConstants.START_ELEMENT) {
          start(xml);
        } else if (event == XMLStreamConstants.END_ELEMENT) {
          around.remove(around.size() - 1);
        }
      }
      if (cues.isEmpty()) {
        throw new IllegalArgumentException("no caption with a time was found in this file");
      }
      List<TimedText> ordered = new ArrayList<>(cues);
      ordered.sort(Comparator.comparing(TimedText::span));
      List<String> mended =
          ordered.equals(cues) ? List.of() : List.of("captions were not in order of time");
      return new ImportedText(ordered, mended);
    }

    private void start(XMLStreamReader xml) throws XMLStreamException {
      String rate = xml.getAttributeValue(PARAMETER, "frameRate");
      frameRate = rate == null ? frameRate : positive(rate);
      String multiplier = xml.getAttributeValue(PARAMETER, "frameRateMultiplier");
      if (multiplier != null && multiplier.matches("[1-9]\\d{0,8} [1-9]\\d{0,8}")) {
        String[] parts = multiplier.split(" ");
        frameRate *= Double.parseDouble(parts[0]) / Double.parseDouble(parts[1]);
      }
      String ticks = xml.getAttributeValue(PARAMETER, "tickRate");
      tickRate = ticks == null ? tickRate : positive(ticks);
      long[] outer = around.get(around.size() - 1);
      long begin = outer[0] + time(xml.getAttributeValue(null, "begin"), 0);
      String duration = xml.getAttributeValue(null, "dur");
      String ends = xml.getAttributeValue(null, "end");
      long end =
          ends != null
              ? outer[0] + time(ends, 0)
              : duration != null ? begin + time(duration, 0) : outer[1];
      if (xml.getLocalName().equals("p")
          && (ends != null || duration != null || outer[1] != Long.MAX_VALUE)) {
        String said = inside(xml);
        if (!said.isBlank()) {
          cues.add(new TimedText(new Span(begin, Math.max(begin, end)), said));
        }
      } else {
        around.add(new long[] {begin, end});
      }
    }

    private static double positive(String text) {
      if (!text.strip().matches("[1-9]\\d{0,11}")) {
        throw new IllegalArgumentException("it counts in a rate that is none");
      }
      return Double.parseDouble(text.strip());
    }

    /** Text up to the end of the present element, a line break for each {@code br}. */
    private static String inside(XMLStreamReader xml) throws XMLStreamException {
      StringBuilder text = new StringBuilder();
      int depth = 1;
      while (depth > 0) {
        int event = xml.next();
        if (event == XMLStreamConstants.START_ELEMENT) {
          depth++;
          text.append(xml.getLocalName().equals("br") ? "\n" : "");
        } else if (event == XMLStreamConstants.END_ELEMENT) {
          depth--;
        } else if (event == XMLStreamConstants.CHARACTERS || event == XMLStreamConstants.CDATA) {
          text.append(xml.getText().replaceAll("\\s+", " "));
        }
      }
      return String.join("\n", text.toString().lines().map(String::strip).toList()).strip();
    }

    private long time(String text, long otherwise) {
      if (text == null) {
        return otherwise;
      }
      Matcher clock = CLOCK.matcher(text.strip());
      if (clock.matches()) {
        double seconds =
            Long.parseLong(clock.group(1)) * 3600.0
                + Integer.parseInt(clock.group(2)) * 60
                + Integer.parseInt(clock.group(3));
        seconds += clock.group(4) == null ? 0 : Double.parseDouble("0." + clock.group(4));
        seconds += clock.group(5) == null ? 0 : Integer.parseInt(clock.group(5)) / frameRate;
        return Math.round(seconds * 1e6);
      }
      Matcher offset = OFFSET.matcher(text.strip());
      if (!offset.matches()) {
        throw new IllegalArgumentException("\"" + text + "\" is not a time");
      }
      double value = Double.parseDouble(offset.group(1));
      double second =
          switch (offset.group(2)) {
            case "h" -> 3600;
            case "m" -> 60;
            case "ms" -> 0.001;
            case "f" -> 1 / frameRate;
            case "t" -> 1 / tickRate;
            default -> 1;
          };
      return Math.round(value * second * 1e6);
    }
  }

  /** Writes captions. */
  public static String write(List<TimedText> cues, String language) {
    StringWriter text = new StringWriter();
    try {
      XMLStreamWriter xml = XMLOutputFactory.newDefaultFactory().createXMLStreamWriter(text);
      xml.writeStartDocument("UTF-8", "1.0");
      xml.writeCharacters("\n");
      xml.writeStartElement("tt");
      xml.writeDefaultNamespace(TT);
      xml.writeNamespace("ttp", PARAMETER);
      xml.writeAttribute("xml:lang", language);
      xml.writeAttribute("ttp:profile", "http://www.w3.org/ns/ttml/profile/imsc1.1/text");
      xml.writeStartElement("body");
      xml.writeStartElement("div");
      for (TimedText cue : cues) {
        xml.writeCharacters("\n  ");
        xml.writeStartElement("p");
        xml.writeAttribute("begin", ClockText.of(cue.span().startUs(), '.'));
        xml.writeAttribute("end", ClockText.of(cue.span().endUs(), '.'));
        boolean first = true;
        for (String line : cue.text().split("\n")) {
          if (!first) {
            xml.writeEmptyElement("br");
          }
          first = false;
          xml.writeCharacters(line);
        }
        xml.writeEndElement();
      }
      xml.writeCharacters("\n");
      xml.writeEndElement();
      xml.writeEndElement();
      xml.writeEndElement();
      xml.writeEndDocument();
      return text + "\n";
    } catch (XMLStreamException e) {
      throw new IllegalStateException(e);
    }
  }
}
