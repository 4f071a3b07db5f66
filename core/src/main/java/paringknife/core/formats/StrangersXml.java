package paringknife.core.formats;

import java.io.StringReader;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/** XML that came from somewhere else: nothing outside it is fetched, and no entity is expanded. */
final class StrangersXml {
  private StrangersXml() {}

  /** What makes something of a document. */
  interface Reading<T> {
    T of(XMLStreamReader xml) throws XMLStreamException;
  }

  /**
   * Reads a document by the JDK's own parser.
   *
   * @throws IllegalArgumentException when it is not well-formed
   */
  static <T> T read(String text, Reading<T> reading) {
    XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    try {
      return reading.of(
          factory.createXMLStreamReader(new StringReader(text.replace("\uFEFF", "").strip())));
    } catch (XMLStreamException e) {
      throw new IllegalArgumentException("it is not well-formed XML");
    }
  }
}
