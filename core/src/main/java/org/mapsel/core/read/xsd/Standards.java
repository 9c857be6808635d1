package org.mapsel.core.read.xsd;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.Objects;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.read.Reading;

/** The schemas of the standards themselves, which come with the product and are never fetched. */
public final class Standards {

  private static final Map<String, String> FILES =
      Map.ofEntries(
          Map.entry("http://www.w3.org/XML/1998/namespace", "xml.xsd"),
          Map.entry("http://schemas.xmlsoap.org/soap/encoding/", "soap-encoding-11.xsd"),
          Map.entry("http://www.w3.org/2003/05/soap-encoding", "soap-encoding-12.xsd"),
          Map.entry("http://schemas.xmlsoap.org/soap/envelope/", "soap-envelope-11.xsd"),
          Map.entry("http://www.w3.org/2003/05/soap-envelope", "soap-envelope-12.xsd"),
          Map.entry("http://www.w3.org/2005/08/addressing", "addressing.xsd"),
          Map.entry("http://schemas.xmlsoap.org/ws/2004/08/addressing", "addressing-2004-08.xsd"),
          Map.entry("http://www.w3.org/2005/05/xmlmime", "xmlmime.xsd"),
          Map.entry("http://www.w3.org/2004/11/xmlmime", "xmlmime-2004-11.xsd"),
          Map.entry("http://www.w3.org/2004/08/xop/include", "xop-include.xsd"),
          Map.entry("http://ws-i.org/profiles/basic/1.1/xsd", "swaref.xsd"));

  private Standards() {}

  /** Whether a namespace is that of a standard whose schema is here. */
  public static boolean isKnown(String namespace) {
    return FILES.containsKey(namespace);
  }

  /** Notes that a description names something of a standard, whether it imports it or not. */
  public static void mention(String namespace, Reading reading) {
    if (isKnown(namespace)) {
      reading.mention(namespace);
    }
  }

  /** The schema of a known namespace. */
  public static SourceText schema(String namespace) {
    String file = Objects.requireNonNull(FILES.get(namespace));
    try (InputStream bytes =
        Objects.requireNonNull(Standards.class.getResourceAsStream("standards/" + file))) {
      return new SourceText("standard:" + file, bytes.readAllBytes());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
