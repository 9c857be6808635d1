package org.mapsel.core.message.http;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Trail;
import org.mapsel.core.message.http.ParameterText.Pair;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.RecordedRequest;
import org.mapsel.core.service.RecordedRequest.Piece;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Everything of a request but its body: where the parameters go. */
final class RequestLine {

  private final Shapes shapes;
  private final ParameterText text;
  private final Findings findings;
  private String path;
  private final List<String> query = new ArrayList<>();
  private final List<Header> headers = new ArrayList<>();
  private final List<String> cookies = new ArrayList<>();

  RequestLine(Shapes shapes, Findings findings, String path) {
    this.shapes = shapes;
    this.text = new ParameterText(shapes, findings);
    this.findings = findings;
    this.path = path;
  }

  /**
   * Takes the query as it was given, with the values in it.
   *
   * @return the fields that have found their place in it
   */
  Set<Field> given(List<Piece> pieces, List<Field> fields, RecordValue values) {
    List<Field> inside =
        fields.stream()
            .filter(
                field ->
                    field.wire() instanceof Wire.Parameter parameter && isIn(parameter, pieces))
            .toList();
    RecordValue those =
        RecordValue.of(
            inside.stream()
                .filter(field -> !values.get(field.name()).isAbsent())
                .collect(
                    Collectors.toMap(
                        Field::name,
                        field -> values.get(field.name()),
                        (one, other) -> one,
                        LinkedHashMap::new)));
    RecordedNotation notation = new RecordedNotation(shapes, findings, OperationWire.Media.FORM);
    Optional<String> filled =
        RecordedBody.fill(
            shapes, notation, pieces, new RecordedBody.Scope(null, inside, those, Trail.ROOT));
    if (filled.isEmpty()) {
      return Set.of();
    }
    if (!filled.get().isEmpty()) {
      query.add(filled.get());
    }
    return new HashSet<>(inside);
  }

  private static boolean isIn(Wire.Parameter parameter, List<Piece> pieces) {
    return parameter.in() == Wire.In.QUERY
        && pieces.stream()
            .anyMatch(
                piece ->
                    piece instanceof RecordedRequest.Run run
                        && run.steps().equals(List.of(parameter.name())));
  }

  /** Puts every parameter of the operation where it belongs, but those that are there already. */
  void parameters(List<Field> fields, RecordValue values, Set<Field> there) {
    for (Field field : fields) {
      if (field.wire() instanceof Wire.Parameter parameter && !there.contains(field)) {
        Trail at = Trail.ROOT.then(field.name());
        Value value = values.get(field.name());
        if (value.isAbsent() && field.isRequired()) {
          value = field.assumed().map(Value::text).orElse(value);
        }
        if (value.isAbsent() || value == Value.NULL) {
          text.required(field, at);
        } else {
          put(field, parameter, value, at);
        }
      }
    }
  }

  private void put(Field field, Wire.Parameter parameter, Value value, Trail at) {
    switch (parameter.in()) {
      case PATH -> inPath(field, parameter, value, at);
      case QUERY, BY_ENDPOINT -> inQuery(field, parameter, value, at);
      case QUERY_STRING ->
          text.pairs(field, parameter.name(), Wire.Style.FORM, true, value, at, Percent::encode)
              .forEach(pair -> query.add(encoded(pair)));
      case HEADER -> {
        String plain =
            parameter.content().isPresent()
                ? text.json(field, value, at)
                : text.expanded(field, parameter, value, at, UnaryOperator.identity());
        headers.add(
            new Header(
                parameter.name(),
                plain.replaceAll("[\\r\\n]+", " "),
                "the parameter " + field.name() + " travels as a header"));
      }
      case COOKIE ->
          text.pairs(
                  field,
                  parameter.name(),
                  parameter.style(),
                  parameter.explode(),
                  value,
                  at,
                  Percent::encode)
              .forEach(pair -> cookies.add(encoded(pair)));
    }
  }

  private void inPath(Field field, Wire.Parameter parameter, Value value, Trail at) {
    String filled =
        parameter.content().isPresent()
            ? Percent.encode(text.json(field, value, at))
            : text.expanded(
                field,
                parameter,
                value,
                at,
                parameter.reserved() ? Percent::encodeKeepingReserved : Percent::encode);
    if (filled.isEmpty() && !findings.hasErrors()) {
      findings.add(at.error("MESSAGE_PATH_PARAMETER_EMPTY"));
    }
    if (filled.equals(".") || filled.equals("..")) {
      // Whoever reads the address would go to another place (RFC 3986, section 5.2.4).
      findings.add(at.error("MESSAGE_PATH_PARAMETER_LEADS_AWAY"));
    }
    path = path.replace("{" + parameter.name() + "}", filled);
  }

  private void inQuery(Field field, Wire.Parameter parameter, Value value, Trail at) {
    UnaryOperator<String> encode =
        parameter.reserved() ? Percent::encodeKeepingReserved : Percent::encode;
    List<Pair> pairs =
        parameter.content().isPresent()
            ? List.of(new Pair(parameter.name(), encode.apply(text.json(field, value, at))))
            : text.pairs(
                field, parameter.name(), parameter.style(), parameter.explode(), value, at, encode);
    pairs.forEach(pair -> query.add(encoded(pair)));
  }

  /** Brackets in names stay, as every server takes them; what ends a name does not. */
  private static String encoded(Pair pair) {
    return Percent.encodeName(pair.name()) + "=" + pair.value();
  }

  /** The address of the endpoint with the path and the query of this request. */
  String address(String endpoint) {
    String base =
        endpoint.endsWith("/") && path.startsWith("/")
            ? endpoint.substring(0, endpoint.length() - 1)
            : endpoint;
    String address = base + path;
    if (query.isEmpty()) {
      return address;
    }
    return address + (address.contains("?") ? "&" : "?") + String.join("&", query);
  }

  List<Header> headers() {
    if (!cookies.isEmpty()) {
      headers.add(new Header("Cookie", String.join("; ", cookies), "parameters travel as cookies"));
    }
    return headers;
  }

  /** Whether the parameters say themselves what a header is to be. */
  boolean has(String header) {
    return headers.stream()
        .anyMatch(
            one -> one.name().toLowerCase(Locale.ROOT).equals(header.toLowerCase(Locale.ROOT)));
  }
}
