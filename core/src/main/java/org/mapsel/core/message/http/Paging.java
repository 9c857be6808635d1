package org.mapsel.core.message.http;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.mapsel.core.document.WebLink;
import org.mapsel.core.message.AnswerPart;
import org.mapsel.core.message.Response;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.ListBuilder;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/**
 * How an operation gives a list in parts, recognised by the names that are usual for it: a link
 * header (RFC 8288), a field that holds the next address or a mark to go on from, or a parameter
 * that counts pages or rows. Names are compared without case, hyphens and underscores.
 */
final class Paging {

  private static final Set<String> NEXT =
      Set.of(
          "next", "nextlink", "nexturl", "nextpageurl", "nextpage", "nexthref", "@odata.nextlink");
  private static final Set<String> INSIDE =
      Set.of("links", "_links", "paging", "pagination", "page", "meta", "metadata", "cursors");
  private static final Set<String> MARK =
      Set.of(
          "nextpagetoken",
          "nexttoken",
          "nextcursor",
          "continuationtoken",
          "nextmarker",
          "cursor",
          "endcursor",
          "after",
          "next");
  private static final Set<String> MARK_PARAMETER =
      Set.of(
          "pagetoken",
          "nexttoken",
          "cursor",
          "continuationtoken",
          "marker",
          "after",
          "token",
          "nextcursor",
          "nextpagetoken");
  private static final Set<String> MORE = Set.of("hasmore", "hasnext", "hasnextpage", "more");
  private static final Set<String> TOTAL =
      Set.of(
          "total",
          "totalcount",
          "totalelements",
          "totalitems",
          "totalrecords",
          "totalresults",
          "totalrows");
  private static final Set<String> PAGES = Set.of("totalpages", "pagecount", "pages", "lastpage");
  private static final Set<String> PAGE_PARAMETER =
      Set.of("page", "pagenumber", "pageno", "pageindex");
  private static final Set<String> OFFSET_PARAMETER =
      Set.of("offset", "start", "skip", "startindex", "first");
  private static final Set<String> SIZE_PARAMETER =
      Set.of("limit", "pagesize", "perpage", "size", "maxresults", "top", "count", "rows");

  private final Shapes shapes;
  private final Optional<FieldPath> rows;
  private final List<FieldPath> answers = new ArrayList<>();
  private final List<Field> parameters = new ArrayList<>();

  private Paging(Shapes shapes, Operation operation) {
    this.shapes = shapes;
    for (Field field : shapes.fieldsOf(operation.input())) {
      if (field.wire() instanceof Wire.Parameter parameter && parameter.in() == Wire.In.QUERY) {
        parameters.add(field);
      }
    }
    List<Field> top = shapes.fieldsOf(operation.output());
    this.rows = rows(top);
    collect(top, FieldPath.ROOT);
    for (Field field : top) {
      if (INSIDE.contains(plain(field.name()))) {
        collect(shapes.fieldsOf(field.shape()), FieldPath.of(field.name()));
      }
    }
  }

  static Paging of(Shapes shapes, Operation operation) {
    return new Paging(shapes, operation);
  }

  /** The one list of records in the answer, at its top or one level below. */
  private Optional<FieldPath> rows(List<Field> top) {
    List<FieldPath> found = new ArrayList<>();
    for (Field field : top) {
      if (field.isRepeated()) {
        found.add(FieldPath.of(field.name()));
      }
    }
    if (found.isEmpty()) {
      for (Field field : top) {
        if (shapes.get(field.shape()) instanceof Shape.Record record) {
          record.fields().stream()
              .filter(Field::isRepeated)
              .forEach(inner -> found.add(FieldPath.of(field.name(), inner.name())));
        }
      }
    }
    return found.size() == 1 ? Optional.of(found.get(0)) : Optional.empty();
  }

  private void collect(List<Field> fields, FieldPath around) {
    for (Field field : fields) {
      FieldPath path = around.then(field.name());
      if (shapes.get(field.shape()) instanceof Shape.Record record) {
        if (NEXT.contains(plain(field.name()))) {
          record.fields().stream()
              .filter(inner -> inner.name().equals("href"))
              .forEach(inner -> answers.add(path.then(inner.name())));
        }
      } else if (!field.isRepeated()) {
        answers.add(path);
      }
    }
  }

  private static String plain(String name) {
    return name.toLowerCase(Locale.ROOT).replace("_", "").replace("-", "");
  }

  /** What must be read so that the way to the next part is known, besides what anybody wants. */
  Set<FieldPath> with(Set<FieldPath> wanted) {
    if (wanted.isEmpty() || rows.isEmpty()) {
      return wanted;
    }
    Set<FieldPath> all = new HashSet<>(wanted);
    answers.stream().filter(path -> isTelling(path)).forEach(all::add);
    return all;
  }

  private static boolean isTelling(FieldPath path) {
    String name = plain(path.last().equals("href") ? path.name(path.length() - 2) : path.last());
    return List.of(NEXT, MARK, MORE, TOTAL, PAGES).stream().anyMatch(names -> names.contains(name));
  }

  Optional<String> next(AnswerPart part) {
    if (rows.isEmpty()
        || !part.request().method().equals("GET")
        || items(part.value()).items().isEmpty()) {
      return Optional.empty();
    }
    return linked(part.response())
        .or(() -> addressed(part.value()))
        .or(() -> marked(part))
        .or(() -> counted(part));
  }

  RecordValue joined(RecordValue before, AnswerPart part) {
    if (rows.isEmpty()) {
      return before;
    }
    ListBuilder all = new ListBuilder();
    all.addAll(items(before));
    all.addAll(items(part.value()));
    ListValue list = all.build();
    FieldPath path = rows.get();
    String outer = path.name(0);
    return path.length() == 1
        ? before.with(outer, list)
        : before.get(outer) instanceof RecordValue inner
            ? before.with(outer, inner.with(path.last(), list))
            : before;
  }

  private ListValue items(RecordValue value) {
    return rows.isPresent() && value.at(rows.get()) instanceof ListValue list
        ? list
        : ListValue.of();
  }

  private static Optional<String> linked(Response response) {
    return response.headers().entrySet().stream()
        .filter(header -> header.getKey().equalsIgnoreCase("Link"))
        .flatMap(header -> header.getValue().stream())
        .flatMap(header -> WebLink.read(header).stream())
        .filter(link -> link.is("next"))
        .map(WebLink::target)
        .findFirst();
  }

  private Optional<String> addressed(RecordValue value) {
    return answers.stream()
        .filter(
            path ->
                NEXT.contains(plain(path.last()))
                    || path.last().equals("href") && path.length() > 1)
        .flatMap(path -> text(value.at(path)).stream())
        .filter(text -> text.matches("(https?:/)?/.*|\\?.*"))
        .findFirst();
  }

  private static Optional<String> text(Value value) {
    return value instanceof TextValue text && !text.text().isBlank()
        ? Optional.of(text.text())
        : value instanceof NumberValue number
            ? Optional.of(number.number().toPlainString())
            : Optional.empty();
  }

  private Optional<String> marked(AnswerPart part) {
    Optional<String> name = parameter(MARK_PARAMETER);
    if (name.isEmpty() || flag(part.value(), MORE).filter(more -> !more).isPresent()) {
      return Optional.empty();
    }
    return answers.stream()
        .filter(path -> MARK.contains(plain(path.last())))
        .flatMap(path -> text(part.value().at(path)).stream())
        .findFirst()
        .map(mark -> QueryParameter.set(part.request().address(), name.get(), mark));
  }

  private Optional<String> parameter(Set<String> names) {
    return field(names).map(Field::wire).map(wire -> ((Wire.Parameter) wire).name());
  }

  private Optional<Field> field(Set<String> names) {
    return parameters.stream().filter(field -> names.contains(plain(field.name()))).findFirst();
  }

  /** The next number of a parameter that counts, as long as something says that there is more. */
  private Optional<String> counted(AnswerPart part) {
    Optional<String> page = parameter(PAGE_PARAMETER);
    Optional<String> counting = page.or(() -> parameter(OFFSET_PARAMETER));
    if (counting.isEmpty() || !isMore(part, page)) {
      return Optional.empty();
    }
    String address = part.request().address();
    int start = start(page.isPresent());
    OptionalInt asked = QueryParameter.number(address, counting.get());
    if (part.number() == 1 && asked.isPresent() && asked.getAsInt() != start) {
      // Whoever asks for a place further down wants what is there and no more.
      return Optional.empty();
    }
    int step = page.isPresent() ? 1 : items(part.value()).items().size();
    return Optional.of(
        QueryParameter.set(address, counting.get(), String.valueOf(asked.orElse(start) + step)));
  }

  private int start(boolean pages) {
    Optional<String> preset =
        field(pages ? PAGE_PARAMETER : OFFSET_PARAMETER).flatMap(Field::preset);
    return preset
        .filter(text -> text.matches("\\d{1,6}"))
        .map(Integer::parseInt)
        .orElse(pages ? 1 : 0);
  }

  private boolean isMore(AnswerPart part, Optional<String> page) {
    Optional<Boolean> more = flag(part.value(), MORE);
    if (more.isPresent()) {
      return more.get();
    }
    Optional<BigDecimal> pages = number(part.value(), PAGES);
    if (page.isPresent() && pages.isPresent()) {
      return pages.get().intValue() > part.number();
    }
    Optional<BigDecimal> total = number(part.value(), TOTAL);
    int soFar = items(part.whole()).items().size();
    if (total.isPresent()) {
      return total.get().intValue() > soFar;
    }
    OptionalInt size = size(part.request().address());
    return size.isPresent() && items(part.value()).items().size() >= size.getAsInt();
  }

  /** How many rows were asked for, by the request or by what the description assumes. */
  private OptionalInt size(String address) {
    Optional<Field> field = field(SIZE_PARAMETER);
    if (field.isEmpty()) {
      return OptionalInt.empty();
    }
    OptionalInt asked =
        QueryParameter.number(address, ((Wire.Parameter) field.get().wire()).name());
    return asked.isPresent()
        ? asked
        : field
            .get()
            .preset()
            .filter(text -> text.matches("\\d{1,6}"))
            .map(text -> OptionalInt.of(Integer.parseInt(text)))
            .orElse(OptionalInt.empty());
  }

  private Optional<Boolean> flag(RecordValue value, Set<String> names) {
    return answers.stream()
        .filter(path -> names.contains(plain(path.last())))
        .map(path -> value.at(path))
        .filter(BooleanValue.class::isInstance)
        .map(found -> ((BooleanValue) found).isTrue())
        .findFirst();
  }

  private Optional<BigDecimal> number(RecordValue value, Set<String> names) {
    return answers.stream()
        .filter(path -> names.contains(plain(path.last())))
        .map(path -> value.at(path))
        .filter(NumberValue.class::isInstance)
        .map(found -> ((NumberValue) found).number())
        .findFirst();
  }
}
