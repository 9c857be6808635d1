package org.mapsel.core.message.soap;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.AccessHeaders;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.AnswerStart;
import org.mapsel.core.message.Codec;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.ParameterCheck;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.message.Trail;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Protocol;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** The HTTP GET and POST binding (WSDL 1.1, sections 4 and 5). */
public final class HttpBindingCodec implements Codec {

  private static final int USUAL_LENGTH = 1_024;

  /** One name with one value, ready for an address or a form. */
  private record Pair(String name, String value) {
    String encoded() {
      return encode(name) + "=" + encode(value);
    }
  }

  private static String encode(String text) {
    return URLEncoder.encode(text, StandardCharsets.UTF_8);
  }

  @Override
  public Outcome<Request> write(
      Service service,
      Operation operation,
      OperationWire wire,
      RecordValue values,
      Access access,
      Stamp stamp) {
    OperationWire.Http http = (OperationWire.Http) wire;
    Findings findings = new Findings();
    String address = service.findEndpoint(wire.endpoint()).map(Endpoint::address).orElse("");
    address = address.replaceFirst("/$", "") + http.location();
    boolean get = http.protocol() == Protocol.HTTP_GET;
    List<Header> headers = new ArrayList<>();
    byte[] body = new byte[0];
    // A GET has no body, so whatever it takes stands in the address.
    if (http.encoding() == OperationWire.Encoding.BODY && !get) {
      body = xml(service.shapes(), operation, operation.input(), http.request(), values, findings);
      headers.add(new Header("Content-Type", "text/xml; charset=utf-8", "the body is XML"));
    } else {
      List<Pair> pairs = pairs(service.shapes(), operation, values, findings);
      String form = pairs.stream().map(Pair::encoded).collect(Collectors.joining("&"));
      if (http.encoding() == OperationWire.Encoding.URL_REPLACEMENT) {
        address = replaced(address, pairs);
      } else if (get) {
        address += form.isEmpty() ? "" : (address.contains("?") ? "&" : "?") + form;
      } else {
        body = form.getBytes(StandardCharsets.UTF_8);
        headers.add(
            new Header(
                "Content-Type",
                "application/x-www-form-urlencoded",
                "the description wants the parameters as a form"));
      }
    }
    headers.add(new Header("Accept", "text/xml, application/xml, */*", "the answer is XML"));
    headers.addAll(AccessHeaders.of(access));
    if (findings.hasErrors()) {
      return Outcome.failed(findings.toList());
    }
    return Outcome.of(
        new Request(get ? "GET" : "POST", AccessHeaders.address(address, access), headers, body),
        findings.toList());
  }

  private static String replaced(String address, List<Pair> pairs) {
    String filled = address;
    for (Pair pair : pairs) {
      String value = encode(pair.value()).replace("+", "%20");
      // Section 4.6 has brackets; braces are what many write, as in WSDL 2.0.
      filled =
          filled.replace("(" + pair.name() + ")", value).replace("{" + pair.name() + "}", value);
    }
    return filled;
  }

  private static List<Pair> pairs(
      Shapes shapes, Operation operation, RecordValue values, Findings findings) {
    List<Pair> pairs = new ArrayList<>();
    for (Field field : shapes.fieldsOf(operation.input())) {
      Trail path = Trail.ROOT.then(field.name());
      Value value = values.get(field.name());
      if (value.isAbsent() && field.isRequired()) {
        findings.add(path.error("MESSAGE_PARAMETER_MISSING"));
      }
      pairs(shapes, field, value, path, pairs, findings);
    }
    return pairs;
  }

  /** An array travels as one pair for each item. */
  private static void pairs(
      Shapes shapes, Field field, Value value, Trail path, List<Pair> pairs, Findings findings) {
    switch (value) {
      case ListValue list ->
          list.items().forEach(item -> pairs(shapes, field, item, path, pairs, findings));
      case RecordValue record -> {
        for (Field inner : shapes.fieldsOf(field.shape())) {
          pairs(shapes, inner, record.get(inner.name()), path.then(inner.name()), pairs, findings);
        }
      }
      default -> {
        if (value.isAbsent() || value == Value.NULL) {
          return;
        }
        String name = path.path().name(0);
        if (shapes.get(field.shape()) instanceof Shape.Scalar scalar) {
          String text = ParameterCheck.of(scalar).text(value, path, findings);
          if (text != null) {
            pairs.add(new Pair(name, text));
          }
        } else {
          pairs.add(new Pair(name, ScalarText.print(value)));
        }
      }
    }
  }

  private static byte[] xml(
      Shapes shapes,
      Operation operation,
      ShapeId shape,
      Optional<Name> element,
      RecordValue values,
      Findings findings) {
    if (element.isEmpty() && values.present() != 1) {
      findings.add(Finding.error("MESSAGE_BODY_NOT_ONE", "operation", operation.name()));
      return new byte[0];
    }
    XmlText out = new XmlText(USUAL_LENGTH);
    ElementWriter elements = new ElementWriter(shapes, findings, out, null);
    String outer = element.isPresent() ? elements.start(element.get()) : "";
    elements.content(shape, values, Trail.ROOT);
    if (element.isPresent()) {
      elements.end(outer);
    }
    return out.finish();
  }

  /** A body as it goes over the wire. */
  public record Body(String contentType, byte[] bytes) {}

  /** The body of an answer, for those who answer. */
  public static Body answer(
      Shapes shapes,
      Operation operation,
      OperationWire.Http wire,
      RecordValue values,
      Findings findings) {
    List<Field> fields = shapes.fieldsOf(operation.output());
    if (fields.size() == 1 && fields.getFirst().wire() instanceof Wire.Body) {
      String text = ScalarText.print(values.get(fields.getFirst().name()));
      return new Body("text/plain; charset=utf-8", text.getBytes(StandardCharsets.UTF_8));
    }
    byte[] bytes =
        fields.isEmpty()
            ? new byte[0]
            : xml(shapes, operation, operation.output(), wire.response(), values, findings);
    return new Body("text/xml; charset=utf-8", bytes);
  }

  @Override
  public Outcome<Answer> read(
      Service service,
      Operation operation,
      OperationWire wire,
      Response response,
      Set<FieldPath> wanted) {
    if (response.status() >= 300) {
      return Outcome.of(
          new Answer.Failed(
              String.valueOf(response.status()),
              AnswerStart.of(response.body()),
              Optional.empty(),
              RecordValue.empty()));
    }
    List<Field> fields = service.shapes().fieldsOf(operation.output());
    if (fields.size() == 1 && fields.get(0).wire() instanceof Wire.Body) {
      String text = new String(response.body(), StandardCharsets.UTF_8);
      return Outcome.of(
          new Answer.Returned(RecordValue.empty().with(fields.get(0).name(), Value.text(text))));
    }
    if (response.body().length == 0) {
      return fields.isEmpty()
          ? Outcome.of(new Answer.Returned(RecordValue.empty()))
          : Outcome.failed(AnswerStart.empty(response));
    }
    if (!AnswerStart.looksLikeXml(response.body())) {
      return Outcome.failed(AnswerStart.notXml(response));
    }
    return document(service, operation, wire, response.body(), wanted);
  }

  private static Outcome<Answer> document(
      Service service,
      Operation operation,
      OperationWire wire,
      byte[] body,
      Set<FieldPath> wanted) {
    Findings findings = new Findings();
    try (XmlCursor cursor = XmlCursor.open(new SourceText("answer", body), Limits.ANSWER)) {
      cursor.oddities().forEach(findings::add);
      ReadPlan plan = ReadPlan.of(service.shapes(), operation.output(), wanted);
      RecordBuilder builder = new RecordBuilder(plan);
      ContentReader content = new ContentReader(cursor, findings, Attachments.NONE);
      if (wire.response().isPresent()) {
        content.into(plan, builder);
      } else {
        content.child(plan, builder);
      }
      return Outcome.of(new Answer.Returned(builder.build()), findings.toList());
    } catch (DocumentException e) {
      return Outcome.failed(AnswerStart.broken(e.finding(), body));
    }
  }
}
