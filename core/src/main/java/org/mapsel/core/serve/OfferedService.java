package org.mapsel.core.serve;

import java.math.BigDecimal;
import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.FindingText;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Found;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.message.Response;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.table.Column;
import org.mapsel.core.table.OfferAction;
import org.mapsel.core.table.OfferDescriptions;
import org.mapsel.core.table.OfferedTable;
import org.mapsel.core.table.TableOffer;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/**
 * Tables that are offered over SOAP, OData and HTTP at once: each protocol is served from its own
 * description, as any service could be. Safe for many threads.
 */
public final class OfferedService {

  private static final String ETAG = "etag";
  private static final Pattern VERSION = Pattern.compile("W/\"(\\d{1,18})\"");

  private record Asked(OfferedTable table, OfferAction action) {}

  private final String base;
  private final TableRows rows;
  private final Map<String, Asked> byName = new HashMap<>();
  private final Map<String, Endpoints> byProtocol = new LinkedHashMap<>();
  private final Map<Endpoints, Service> services = new HashMap<>();
  private final SourceText metadata;
  private final SourceText metadataJson;
  private final SourceText wsdl;
  private final SourceText openApi;
  private final TableOffer offer;

  /**
   * Ready to be asked.
   *
   * @param base where it is offered, without a slash at its end
   * @param keyed whether clients must name a key
   * @throws IllegalArgumentException if the offer keeps to none of the {@link
   *     org.mapsel.core.table.OfferRules}
   */
  public OfferedService(TableOffer offer, String base, boolean keyed, TableRows rows) {
    this.offer = offer;
    this.base = path(base);
    this.rows = rows;
    this.wsdl = OfferDescriptions.wsdl(offer, base);
    this.metadata = OfferDescriptions.csdl(offer, base);
    this.metadataJson = OfferDescriptions.csdlJson(offer, base);
    this.openApi = OfferDescriptions.openApi(offer, base, keyed);
    for (OfferedTable table : offer.tables()) {
      for (OfferAction action : OfferAction.values()) {
        Asked asked = new Asked(table, action);
        byName.put(action.name(table).toLowerCase(Locale.ROOT), asked);
        byName.put((table.several() + "." + action.name()).toLowerCase(Locale.ROOT), asked);
      }
    }
    byProtocol.put("/soap", endpoints(wsdl));
    byProtocol.put("/odata", endpoints(metadata));
    byProtocol.put("/http", endpoints(openApi));
  }

  private static String path(String address) {
    return URI.create(address).getRawPath();
  }

  private Endpoints endpoints(SourceText description) {
    Outcome<Found> found =
        Intake.look(
            description,
            address -> Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address)));
    if (!(found.value().orElse(null) instanceof Description described)) {
      throw new IllegalArgumentException(FindingText.lines(found.findings()));
    }
    Service service = described.service();
    Endpoints endpoints =
        new Endpoints(service, (question, asked) -> answer(service, question, asked));
    services.put(endpoints, service);
    return endpoints;
  }

  /** A description that is asked for; nothing if something else is. */
  public Optional<SourceText> description(IncomingRequest asked) {
    if (!asked.method().equals("GET")) {
      return Optional.empty();
    }
    String path = asked.path().substring(Math.min(base.length(), asked.path().length()));
    boolean json =
        asked.pairs().stream()
                .anyMatch(
                    pair -> pair.getKey().equals("$format") && pair.getValue().contains("json"))
            || asked
                .header("Accept")
                .filter(type -> type.startsWith("application/json"))
                .isPresent();
    return switch (path) {
      case "/openapi.json" -> Optional.of(openApi);
      case "/odata/$metadata" -> Optional.of(json ? metadataJson : metadata);
      case "/soap", "/soap12" ->
          asked.query().equalsIgnoreCase("wsdl") ? Optional.of(wsdl) : Optional.empty();
      default -> Optional.empty();
    };
  }

  /** Answers a request; never throws for what is in it. */
  public Served answer(IncomingRequest asked) {
    return protocol(asked).answer(asked);
  }

  /** Refuses a request in the words of the protocol that it came over. */
  public Response refuse(IncomingRequest asked, int status, String reason) {
    return protocol(asked).refuse(asked, new Refusal(status, reason));
  }

  private Endpoints protocol(IncomingRequest asked) {
    String path = asked.path().substring(Math.min(base.length(), asked.path().length()));
    return byProtocol.entrySet().stream()
        .filter(entry -> path.startsWith(entry.getKey()))
        .map(Map.Entry::getValue)
        .findFirst()
        .orElseGet(() -> byProtocol.get("/http"));
  }

  private RecordValue answer(Service service, Serving.Question question, IncomingRequest request) {
    Operation operation = question.operation();
    Asked asked = byName.get(operation.id().text().toLowerCase(Locale.ROOT));
    if (asked == null) {
      throw new Refusal(501, "Nothing of this kind is offered: " + operation.name() + ".");
    }
    OfferedTable table = asked.table();
    RecordValue given = flat(question.parameters());
    RecordValue key = only(given, table.keys());
    Optional<Long> version = version(given, request);
    return switch (asked.action()) {
      case READ -> shaped(service, operation, rows.read(table, key));
      case CREATE -> shaped(service, operation, rows.create(table, only(given, table.columns())));
      case CHANGE ->
          shaped(
              service,
              operation,
              rows.change(
                  table,
                  key,
                  only(given, table.columns().stream().filter(column -> !column.key()).toList()),
                  version));
      case DELETE -> {
        rows.delete(table, key, version);
        yield RecordValue.empty();
      }
      case LIST -> list(service, question, table, given, request);
    };
  }

  private RecordValue list(
      Service service,
      Serving.Question question,
      OfferedTable table,
      RecordValue given,
      IncomingRequest request) {
    List<RowCondition> equal = new ArrayList<>();
    for (Column column : table.columns()) {
      Value wanted = given.get(column.name());
      if (!wanted.isAbsent()) {
        equal.add(RowCondition.equal(column.name(), wanted));
      }
    }
    RowQuery query = question.query().where(equal);
    Value order = given.get(OfferDescriptions.ORDER);
    RowQuery asked =
        new RowQuery(
            query.filter(),
            order.isAbsent() ? query.order() : RowQuery.order(ScalarText.print(order)),
            number(given, OfferDescriptions.SKIP, query.skip()),
            Math.min(number(given, OfferDescriptions.TOP, query.top()), OfferDescriptions.PAGE),
            true,
            query.select());
    TableRows.Page page = rows.list(table, asked);
    int end = asked.skip() + page.rows().size();
    // Whoever said how many are enough asks for the rest by themselves.
    boolean more = query.top() == Integer.MAX_VALUE && end < page.total();
    return shaped(
        service,
        question.operation(),
        page,
        query.count(),
        more ? Optional.of(next(table, request, end)) : Optional.empty());
  }

  /** Where the rest is: what was asked for, further on (OData JSON format 4.01, section 4.6.5). */
  private static String next(OfferedTable table, IncomingRequest request, int from) {
    StringBuilder next = new StringBuilder(table.several()).append("?$skip=").append(from);
    for (Map.Entry<String, String> option : request.pairs()) {
      if (!option.getKey().equals("$skip") && !option.getKey().equals("$top")) {
        next.append('&')
            .append(option.getKey())
            .append('=')
            .append(URLEncoder.encode(option.getValue(), StandardCharsets.UTF_8));
      }
    }
    return next.toString();
  }

  private static int number(RecordValue given, String name, int otherwise) {
    Value value = given.get(name);
    if (!(value instanceof NumberValue number)) {
      return otherwise;
    }
    BigDecimal asked = number.number();
    if (asked.signum() < 0 || asked.compareTo(BigDecimal.valueOf(Integer.MAX_VALUE)) > 0) {
      throw new Refusal(400, name + " is no number of rows.");
    }
    return asked.intValue();
  }

  /** All that was given, whatever it stands in; what stands further out counts. */
  private static RecordValue flat(RecordValue given) {
    Map<String, Value> flat = new LinkedHashMap<>();
    given.forEach(
        (name, value) -> {
          if (value instanceof RecordValue inside) {
            inside.forEach(flat::putIfAbsent);
          }
        });
    given.forEach(
        (name, value) -> {
          if (!(value instanceof RecordValue) && !value.isAbsent()) {
            flat.put(name, value);
          }
        });
    return RecordValue.of(flat);
  }

  private static RecordValue only(RecordValue given, List<Column> columns) {
    Map<String, Value> only = new LinkedHashMap<>();
    for (Column column : columns) {
      Value value = given.get(column.name());
      if (!value.isAbsent()) {
        only.put(column.name(), value);
      }
    }
    return RecordValue.of(only);
  }

  /** The version that was read: a value of its own, or an entity tag (RFC 9110, section 13.1.1). */
  private static Optional<Long> version(RecordValue given, IncomingRequest request) {
    if (given.get(OfferedTable.VERSION) instanceof NumberValue number) {
      return Optional.of(number.number().longValue());
    }
    Optional<String> tag = request.header("If-Match").filter(match -> !match.equals("*"));
    if (tag.isEmpty()) {
      return Optional.empty();
    }
    Matcher matcher = VERSION.matcher(tag.get());
    if (!matcher.matches()) {
      throw new Refusal(412, "It was changed since it was read.");
    }
    return Optional.of(Long.parseLong(matcher.group(1)));
  }

  /** A row as the output has it: as it is, or inside of something. */
  private static RecordValue shaped(Service service, Operation operation, RecordValue row) {
    List<Field> fields = service.shapes().fieldsOf(operation.output());
    RecordValue tagged =
        row.with(ETAG, Value.text("W/\"" + ScalarText.print(row.get(OfferedTable.VERSION)) + "\""));
    return fit(service, fields, tagged, row)
        .orElseThrow(() -> new IllegalStateException("No place for a row of " + operation.id()));
  }

  private static Optional<RecordValue> fit(
      Service service, List<Field> fields, RecordValue tagged, RecordValue row) {
    boolean here = fields.stream().anyMatch(field -> !row.get(field.name()).isAbsent());
    if (here) {
      return Optional.of(known(fields, tagged));
    }
    for (Field field : fields) {
      if (service.shapes().get(field.shape()) instanceof Shape.Record) {
        Optional<RecordValue> inside =
            fit(service, service.shapes().fieldsOf(field.shape()), tagged, row);
        if (inside.isPresent()) {
          return Optional.of(RecordValue.of(Map.of(field.name(), inside.get())));
        }
      }
    }
    return Optional.empty();
  }

  private static RecordValue known(List<Field> fields, RecordValue row) {
    Map<String, Value> known = new LinkedHashMap<>();
    for (Field field : fields) {
      Value value = row.get(field.name());
      if (!value.isAbsent()) {
        known.put(field.name(), value);
      }
    }
    return RecordValue.of(known);
  }

  private static RecordValue shaped(
      Service service,
      Operation operation,
      TableRows.Page page,
      boolean count,
      Optional<String> next) {
    Map<String, Value> answer = new LinkedHashMap<>();
    for (Field field : service.shapes().fieldsOf(operation.output())) {
      switch (field.name()) {
        case OfferDescriptions.TOTAL -> answer.put(field.name(), NumberValue.of(page.total()));
        case "count" -> {
          if (count) {
            answer.put(field.name(), NumberValue.of(page.total()));
          }
        }
        case "next" -> next.ifPresent(link -> answer.put("next", Value.text(link)));
        default -> {
          if (field.isRepeated()) {
            List<Field> members = service.shapes().fieldsOf(field.shape());
            answer.put(
                field.name(),
                new ListValue(
                    page.rows().stream().map(row -> (Value) tagged(members, row)).toList()));
          }
        }
      }
    }
    return RecordValue.of(answer);
  }

  private static RecordValue tagged(List<Field> members, RecordValue row) {
    return known(
        members,
        row.with(
            ETAG, Value.text("W/\"" + ScalarText.print(row.get(OfferedTable.VERSION)) + "\"")));
  }
}
