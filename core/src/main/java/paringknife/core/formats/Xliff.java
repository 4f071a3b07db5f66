package paringknife.core.formats;

import java.io.StringWriter;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import javax.xml.stream.XMLStreamWriter;

/**
 * Sentences on their way to a translator and back, as XLIFF 2.1 (OASIS) has them: a unit of one
 * segment for each. Of what another program has made of it, segments of a unit are joined, and of
 * inline codes their text is kept.
 *
 * @param from language of the sources; BCP 47 tag
 * @param to language of the targets; empty where the file does not say
 */
public record Xliff(String from, String to, List<Unit> units) {
  private static final String NAMESPACE = "urn:oasis:names:tc:xliff:document:2.0";
  private static final String XML = "http://www.w3.org/XML/1998/namespace";

  /** Most units of a file. */
  private static final int MOST_UNITS = 20_000;

  private static final int LONGEST = 20_000;

  public Xliff {
    units = List.copyOf(units);
  }

  /** How far a translation has come; XLIFF 2.1, section 4.3.1.21. */
  public enum State {
    INITIAL,
    TRANSLATED,
    REVIEWED,
    FINAL;

    private String written() {
      return name().toLowerCase(Locale.ROOT);
    }

    private static State read(String text) {
      for (State state : values()) {
        if (state.written().equals(text)) {
          return state;
        }
      }
      return INITIAL;
    }
  }

  /**
   * A sentence.
   *
   * @param id of the unit; an NMTOKEN
   * @param note for the translator; empty for none
   * @param target empty where there is no translation
   */
  public record Unit(String id, String note, String source, String target, State state) {}

  /** The whole file. */
  public String write(String name) {
    StringWriter text = new StringWriter();
    try {
      XMLStreamWriter xml = XMLOutputFactory.newDefaultFactory().createXMLStreamWriter(text);
      xml.writeStartDocument("UTF-8", "1.0");
      xml.writeCharacters("\n");
      xml.writeStartElement("xliff");
      xml.writeDefaultNamespace(NAMESPACE);
      xml.writeAttribute("version", "2.1");
      xml.writeAttribute("srcLang", from);
      xml.writeAttribute("trgLang", to);
      xml.writeCharacters("\n  ");
      xml.writeStartElement("file");
      xml.writeAttribute("id", "clip");
      xml.writeAttribute("original", allowed(name));
      for (Unit unit : units) {
        xml.writeCharacters("\n    ");
        write(xml, unit);
      }
      xml.writeCharacters("\n  ");
      xml.writeEndElement();
      xml.writeCharacters("\n");
      xml.writeEndElement();
      xml.writeEndDocument();
      return text + "\n";
    } catch (XMLStreamException e) {
      throw new IllegalStateException(e);
    }
  }

  private static void write(XMLStreamWriter xml, Unit unit) throws XMLStreamException {
    xml.writeStartElement("unit");
    xml.writeAttribute("id", unit.id());
    if (!unit.note().isEmpty()) {
      xml.writeStartElement("notes");
      xml.writeStartElement("note");
      xml.writeCharacters(allowed(unit.note()));
      xml.writeEndElement();
      xml.writeEndElement();
    }
    xml.writeStartElement("segment");
    xml.writeAttribute("state", unit.state().written());
    text(xml, "source", unit.source());
    if (!unit.target().isEmpty()) {
      text(xml, "target", unit.target());
    }
    xml.writeEndElement();
    xml.writeEndElement();
  }

  private static void text(XMLStreamWriter xml, String element, String text)
      throws XMLStreamException {
    xml.writeStartElement(element);
    xml.writeAttribute("xml", XML, "space", "preserve");
    xml.writeCharacters(allowed(text));
    xml.writeEndElement();
  }

  /** Without what XML 1.0 has no letter for. */
  private static String allowed(String text) {
    StringBuilder kept = new StringBuilder();
    text.codePoints()
        .filter(
            c ->
                c == '\t'
                    || c == '\n'
                    || c >= 0x20 && c <= 0xD7FF
                    || c >= 0xE000 && c <= 0xFFFD
                    || c >= 0x10000)
        .forEach(kept::appendCodePoint);
    return kept.toString();
  }

  /**
   * Reads a file; nothing outside it is fetched.
   *
   * @throws IllegalArgumentException when it is no XLIFF 2 or has no unit
   */
  public static Xliff read(String text) {
    return StrangersXml.read(text, xml -> new Reading().read(xml));
  }

  /** One document. */
  private static final class Reading {
    private final List<Unit> units = new ArrayList<>();
    private final Set<String> ids = new HashSet<>();
    private String from = "";
    private String to = "";
    private boolean known;

    Xliff read(XMLStreamReader xml) throws XMLStreamException {
      while (xml.hasNext()) {
        if (xml.next() == XMLStreamConstants.START_ELEMENT) {
          start(xml);
        }
      }
      if (units.isEmpty()) {
        throw new IllegalArgumentException("there is no unit in this file");
      }
      return new Xliff(from, to, units);
    }

    private void start(XMLStreamReader xml) throws XMLStreamException {
      if (!known) {
        known = xml.getLocalName().equals("xliff") && NAMESPACE.equals(xml.getNamespaceURI());
        if (!known) {
          throw new IllegalArgumentException("it is no XLIFF 2 file");
        }
        from = attribute(xml, "srcLang");
        to = attribute(xml, "trgLang");
      } else if (xml.getLocalName().equals("unit")) {
        unit(xml);
      }
    }

    private void unit(XMLStreamReader xml) throws XMLStreamException {
      String id = attribute(xml, "id");
      StringBuilder source = new StringBuilder();
      StringBuilder target = new StringBuilder();
      State state = State.FINAL;
      boolean open = true;
      while (open) {
        int event = xml.next();
        if (event == XMLStreamConstants.END_ELEMENT) {
          open = !xml.getLocalName().equals("unit");
        } else if (event == XMLStreamConstants.START_ELEMENT) {
          switch (xml.getLocalName()) {
            case "segment" -> {
              State own = State.read(attribute(xml, "state"));
              state = own.compareTo(state) < 0 ? own : state;
            }
            case "source" -> inside(xml, source);
            case "target" -> inside(xml, target);
            case "notes", "originalData" -> inside(xml, new StringBuilder());
            default -> {}
          }
        }
      }
      if (!ids.add(id)) {
        throw new IllegalArgumentException("it has two units of one name");
      }
      if (units.size() == MOST_UNITS) {
        throw new IllegalArgumentException("it has more than " + MOST_UNITS + " units");
      }
      units.add(new Unit(id, "", source.toString().strip(), target.toString().strip(), state));
    }

    /** Text up to the end of the present element. */
    private static void inside(XMLStreamReader xml, StringBuilder text) throws XMLStreamException {
      int depth = 1;
      while (depth > 0) {
        int event = xml.next();
        if (event == XMLStreamConstants.START_ELEMENT) {
          depth++;
        } else if (event == XMLStreamConstants.END_ELEMENT) {
          depth--;
        } else if (event == XMLStreamConstants.CHARACTERS || event == XMLStreamConstants.CDATA) {
          if (text.length() + xml.getTextLength() > LONGEST) {
            throw new IllegalArgumentException("one of its sentences is too long");
          }
          text.append(xml.getText());
        }
      }
    }

    private static String attribute(XMLStreamReader xml, String name) {
      String value = xml.getAttributeValue(null, name);
      return value == null ? "" : value;
    }
  }
}
