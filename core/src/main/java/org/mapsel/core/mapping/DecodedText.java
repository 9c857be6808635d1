package org.mapsel.core.mapping;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** What texts hold that are documents of their own; what is none holds nothing. */
final class DecodedText {

  private static final int DEEPEST = 100;
  private static final int MOST_ROWS = 100_000;
  private static final JsonMapper JSON = new JsonMapper();
  private static final XMLInputFactory XML = factory();

  private DecodedText() {}

  private static XMLInputFactory factory() {
    XMLInputFactory factory = XMLInputFactory.newInstance();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    return factory;
  }

  static Value json(String text) {
    try {
      return ValueJson.read(JSON.readTree(text));
    } catch (JacksonException e) {
      return Value.ABSENT;
    }
  }

  /** The rows of separated values below a line of names (RFC 4180). */
  static Value csv(String text) {
    CSVFormat format = CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true).get();
    List<Value> rows = new ArrayList<>();
    try (CSVParser parser = format.parse(new StringReader(text))) {
      for (CSVRecord row : parser) {
        Map<String, Value> fields = new LinkedHashMap<>();
        row.toMap().forEach((name, cell) -> fields.put(name, new TextValue(cell)));
        rows.add(RecordValue.of(fields));
        if (rows.size() == MOST_ROWS) {
          break;
        }
      }
    } catch (IOException | UncheckedIOException | IllegalArgumentException e) {
      return Value.ABSENT;
    }
    return new ListValue(rows);
  }

  /** An element under way: what stands in it under each name, and its text. */
  private record Open(Map<String, List<Value>> fields, StringBuilder text) {
    static Open start() {
      return new Open(new LinkedHashMap<>(), new StringBuilder());
    }

    void add(String name, Value value) {
      fields.computeIfAbsent(name, none -> new ArrayList<>()).add(value);
    }

    Value value() {
      if (fields.isEmpty()) {
        return new TextValue(text.toString().strip());
      }
      Map<String, Value> values = new LinkedHashMap<>();
      fields.forEach(
          (name, all) -> values.put(name, all.size() == 1 ? all.get(0) : new ListValue(all)));
      return RecordValue.of(values);
    }
  }

  /**
   * Elements as fields by their local names, attributes among them; the root's name is left out.
   */
  static Value xml(String text) {
    Deque<Open> open = new ArrayDeque<>();
    open.push(Open.start());
    try {
      XMLStreamReader reader = XML.createXMLStreamReader(new StringReader(text.strip()));
      while (reader.hasNext()) {
        switch (reader.next()) {
          case XMLStreamConstants.START_ELEMENT -> {
            if (open.size() > DEEPEST) {
              return Value.ABSENT;
            }
            Open element = Open.start();
            for (int i = 0; i < reader.getAttributeCount(); i++) {
              element.add(
                  reader.getAttributeLocalName(i), new TextValue(reader.getAttributeValue(i)));
            }
            open.push(element);
          }
          case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA ->
              open.element().text().append(reader.getText());
          case XMLStreamConstants.END_ELEMENT -> {
            Open done = open.pop();
            open.element().add(reader.getLocalName(), done.value());
          }
          default -> {}
        }
      }
    } catch (XMLStreamException e) {
      return Value.ABSENT;
    }
    return open.element().fields().values().stream()
        .map(roots -> roots.get(0))
        .findFirst()
        .orElse(Value.ABSENT);
  }
}
