package org.mapsel.core.message.odata;

import java.util.Optional;
import java.util.Set;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.AnswerStart;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.json.JsonMessage;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;
import tools.jackson.core.JsonParser;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Answers in Atom (OData 2.0 Atom format; RFC 4287): brought into the form that JSON has, and then
 * read like it.
 */
final class AtomAnswer {

  private static final JsonMapper MAPPER = new JsonMapper();
  private static final String METADATA = "/dataservices/metadata";

  /** What an error in XML says. */
  record Problem(String code, String message) {}

  private final XmlCursor cursor;

  private AtomAnswer(XmlCursor cursor) {
    this.cursor = cursor;
  }

  static Outcome<Answer> read(
      Service service,
      Operation operation,
      OperationWire.Entities wire,
      Response response,
      Set<FieldPath> wanted,
      Findings findings) {
    try (XmlCursor cursor =
        XmlCursor.open(new SourceText("answer", response.body()), Limits.ANSWER)) {
      JsonNode node = new AtomAnswer(cursor).document();
      JsonParser parser = node.traverse(ObjectReadContext.empty());
      parser.nextToken();
      RecordValue value =
          JsonMessage.read(
              service.shapes(),
              operation.output(),
              parser,
              wanted,
              findings,
              EntityCodec.dialect(wire));
      return Outcome.of(new Answer.Returned(value), findings.toList());
    } catch (DocumentException e) {
      return Outcome.failed(AnswerStart.broken(e.finding(), response.body()));
    }
  }

  private JsonNode document() throws DocumentException {
    return switch (cursor.local()) {
      case "feed" -> feed();
      case "entry" -> entry();
      default -> value();
    };
  }

  private ObjectNode feed() throws DocumentException {
    ObjectNode feed = MAPPER.createObjectNode();
    ArrayNode rows = feed.putArray("results");
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      switch (cursor.local()) {
        case "entry" -> rows.add(entry());
        case "count" -> feed.put("__count", cursor.text().strip());
        case "link" -> {
          if (cursor.attribute("rel").orElse("").equals("next")) {
            feed.put("__next", cursor.attribute("href").orElse(""));
          }
        }
        default -> {}
      }
    }
    return feed;
  }

  private ObjectNode entry() throws DocumentException {
    ObjectNode entry = MAPPER.createObjectNode();
    String etag = metadata("etag").orElse("");
    if (!etag.isEmpty()) {
      entry.putObject("__metadata").put("etag", etag);
    }
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      switch (cursor.local()) {
        case "content" -> {
          int inContent = cursor.depth();
          while (cursor.nextChild(inContent)) {
            if (cursor.local().equals("properties")) {
              members(entry);
            }
          }
        }
        case "properties" -> members(entry);
        case "link" -> link(entry);
        default -> {}
      }
    }
    return entry;
  }

  /** Entities that were asked for along with others stand inside the link to them. */
  private void link(ObjectNode entry) throws DocumentException {
    String name = cursor.attribute("title").orElse("");
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      if (cursor.local().equals("inline")) {
        int inside = cursor.depth();
        while (cursor.nextChild(inside)) {
          entry.set(name, cursor.local().equals("feed") ? feed() : entry());
        }
      }
    }
  }

  private void members(ObjectNode to) throws DocumentException {
    int depth = cursor.depth();
    while (cursor.nextChild(depth)) {
      String name = cursor.local();
      to.set(name, value());
    }
  }

  private JsonNode value() throws DocumentException {
    if (metadata("null").orElse("").equals("true")) {
      cursor.text();
      return MAPPER.getNodeFactory().nullNode();
    }
    ObjectNode members = MAPPER.createObjectNode();
    StringBuilder text = new StringBuilder();
    int depth = cursor.depth();
    while (cursor.nextChildOrText(depth, text)) {
      String name = cursor.local();
      JsonNode value = value();
      if (name.equals("element")) {
        members.withArray("/results").add(value);
      } else {
        members.set(name, value);
      }
    }
    return members.isEmpty() ? MAPPER.getNodeFactory().stringNode(text.toString()) : members;
  }

  private Optional<String> metadata(String local) {
    return cursor.attributes().stream()
        .filter(attribute -> attribute.local().equals(local))
        .filter(attribute -> attribute.namespace().endsWith(METADATA))
        .map(attribute -> attribute.value())
        .findFirst();
  }

  /** The error that an answer holds as XML; nothing if it is something else. */
  static Optional<Problem> problem(Response response) {
    if (!AnswerStart.looksLikeXml(response.body())) {
      return Optional.empty();
    }
    String code = "";
    String message = "";
    try (XmlCursor cursor =
        XmlCursor.open(new SourceText("answer", response.body()), Limits.ANSWER)) {
      int depth = cursor.depth();
      while (cursor.nextChild(depth)) {
        switch (cursor.local()) {
          case "code" -> code = cursor.text().strip();
          case "message" -> message = cursor.text().strip();
          default -> {}
        }
      }
    } catch (DocumentException e) {
      // What is no well-formed error is shown by its start.
      return Optional.empty();
    }
    return message.isEmpty() ? Optional.empty() : Optional.of(new Problem(code, message));
  }
}
