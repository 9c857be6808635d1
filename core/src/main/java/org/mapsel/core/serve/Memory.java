package org.mapsel.core.serve;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.serve.CollectionFinder.Does;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/**
 * What a stand-in remembers of the things that can be created, changed and deleted at it. Things
 * are known by their key, a list of them by its address and what they belong to.
 */
final class Memory {

  private static final int MOST = 10_000;

  /** Of how many that things of a kind may belong to they are remembered. */
  private static final int MOST_SCOPES = 1_000;

  private static final String ETAG = "etag";

  /** How often a made thing gets another key before it is given up. */
  private static final int MOST_KEYS = 20;

  private record Role(Does does, Kind kind) {}

  private final Shapes shapes;
  private final Answers answers;
  private final Map<OperationId, Role> roles = new HashMap<>();
  private long created;

  Memory(Service service, Answers answers) {
    this.shapes = service.shapes();
    this.answers = answers;
    new CollectionFinder(shapes).find(service).forEach(this::remember);
  }

  private void remember(CollectionFinder.Found found) {
    Kind kind = new Kind(found, answers.isMade(found.list()), new HashMap<>());
    // With fewer keys than the list must have rows, it cannot be of things with a key.
    if (answers.working(found.list(), RecordValue.empty()).isPresent()
        && seeded(kind, RecordValue.empty()).size() >= kind.least()) {
      found.does().forEach((operation, does) -> roles.put(operation, new Role(does, kind)));
    }
  }

  /** What belongs to what is asked for: at first what the list is answered with. */
  private Kind.Group group(Kind kind, RecordValue parameters) {
    List<String> scope = texts(kind.found().scope(), parameters);
    Kind.Group known = kind.groups().get(scope);
    if (known == null) {
      if (kind.groups().size() >= MOST_SCOPES || kind.size() >= MOST) {
        throw new Refusal(507, "A stand-in remembers no more things of this kind.");
      }
      known = seeded(kind, kind.scopeOf(parameters));
      kind.groups().put(scope, known);
    }
    return known;
  }

  /** Made things have the key that the description gives as an example; only one may keep it. */
  private Kind.Group seeded(Kind kind, RecordValue scope) {
    Kind.Group group = new Kind.Group(scope, new LinkedHashMap<>(), new HashSet<>());
    Optional<RecordValue> answer = answers.working(kind.list(), scope);
    if (answer.isEmpty()
        || !(answer.get().get(kind.found().rows().name()) instanceof ListValue rows)) {
      return group;
    }
    int made = 0;
    for (Value row : rows.items()) {
      RecordValue thing = (RecordValue) row;
      int tries = 0;
      while (kind.made() && group.has(keyOf(kind, thing)) && tries++ < MOST_KEYS) {
        RecordValue other = SampleMaker.unlikeExamples(shapes, kind.rowShape(), made++);
        for (String key : kind.keys().values()) {
          thing = thing.with(key, other.get(key));
        }
      }
      RecordValue own = kind.made() ? belonging(kind, group, thing) : thing;
      group.byKey().put(keyOf(kind, own), stamped(own));
    }
    return group;
  }

  /** A thing that tells what it belongs to. */
  private RecordValue belonging(Kind kind, Kind.Group group, RecordValue thing) {
    if (group.scope().present() == 0) {
      return thing;
    }
    RecordValue like = SampleMaker.make(shapes, kind.rowShape(), SampleMaker.Extent.EVERYTHING);
    RecordValue own = thing;
    for (String name : group.scope().names()) {
      Value scope = group.scope().get(name);
      if (like.get(name).getClass() == scope.getClass()) {
        own = own.with(name, scope);
      }
    }
    return own;
  }

  private static List<String> texts(Collection<String> names, RecordValue parameters) {
    return names.stream().map(name -> ScalarText.print(parameters.get(name))).toList();
  }

  private static List<String> keyOf(Kind kind, RecordValue thing) {
    return texts(kind.keys().values(), thing);
  }

  /**
   * What it says to a question; nothing if it is not about anything that is remembered.
   *
   * @throws Refusal if there is no such thing, or it is another than the one that was read
   */
  synchronized Optional<RecordValue> answer(Serving.Question question, IncomingRequest asked) {
    Role role = roles.get(question.operation().id());
    if (role == null) {
      return Optional.empty();
    }
    Kind kind = role.kind();
    Kind.Group group = group(kind, question.parameters());
    return Optional.of(
        switch (role.does()) {
          case LIST -> list(kind, group, question);
          case READ -> told(question, get(kind, group, question.parameters()));
          case CREATE -> told(question, create(kind, group, question));
          case CHANGE -> told(question, change(kind, group, question, asked));
          case DELETE -> {
            RecordValue gone = get(kind, group, question.parameters());
            unchanged(gone, asked);
            List<String> key = key(kind, question.parameters());
            if (group.has(key) && group.size() <= kind.least()) {
              throw new Refusal(
                  409, "The description wants " + kind.least() + " of these at least.");
            }
            group.byKey().remove(key);
            if (kind.gone() < MOST) {
              group.gone().add(key);
            }
            yield told(question, RecordValue.empty());
          }
        });
  }

  /** An operation may answer with something else than the thing, or with something around it. */
  private RecordValue told(Serving.Question question, RecordValue thing) {
    Operation operation = question.operation();
    List<Field> fields = shapes.fieldsOf(operation.output());
    boolean fits =
        thing.names().stream().allMatch(name -> has(fields, name))
            && fields.stream()
                .filter(Field::isRequired)
                .noneMatch(field -> thing.get(field.name()).isAbsent());
    if (fits && thing.present() > 0 || fields.isEmpty()) {
      return thing;
    }
    RecordValue told = answers.of(operation, question.parameters());
    for (String name : thing.names()) {
      if (has(fields, name)) {
        told = told.with(name, thing.get(name));
      }
    }
    return told;
  }

  private static boolean has(List<Field> fields, String name) {
    return fields.stream().anyMatch(field -> field.name().equals(name));
  }

  private RecordValue list(Kind kind, Kind.Group group, Serving.Question question) {
    RowQuery query = question.query();
    List<RecordValue> all = List.copyOf(group.byKey().values());
    List<RecordValue> fitting =
        query.matching(all.stream().filter(row -> fits(kind, row, question.parameters())).toList());
    // A list that must have rows has some that were not asked for rather than too few.
    List<RecordValue> matching = fitting.size() < kind.least() ? all : fitting;
    RecordValue whole =
        answers
            .of(kind.list(), question.parameters())
            .with("next", Value.ABSENT)
            .with(kind.found().rows().name(), new ListValue(List.copyOf(query.page(matching))));
    return whole.with("count", query.count() ? NumberValue.of(matching.size()) : Value.ABSENT);
  }

  /** A parameter that is called like a field of the rows narrows the list to those that have it. */
  private static boolean fits(Kind kind, RecordValue row, RecordValue parameters) {
    for (String name : parameters.names()) {
      Value wanted = parameters.get(name);
      Value has = row.get(name);
      if (!kind.found().scope().contains(name)
          && !wanted.isAbsent()
          && !has.isAbsent()
          && !(wanted instanceof RecordValue)
          && !(wanted instanceof ListValue)
          && !ScalarText.print(wanted).equals(ScalarText.print(has))) {
        return false;
      }
    }
    return true;
  }

  private static List<String> key(Kind kind, RecordValue parameters) {
    return texts(kind.keys().keySet(), parameters);
  }

  private RecordValue get(Kind kind, Kind.Group group, RecordValue parameters) {
    List<String> key = key(kind, parameters);
    RecordValue thing = group.byKey().get(key);
    if (thing == null && kind.made() && !group.gone().contains(key) && canBe(kind, parameters)) {
      return any(kind, group, parameters);
    }
    if (thing == null) {
      throw new Refusal(404, "There is nothing with the key " + String.join(", ", key) + ".");
    }
    return thing;
  }

  /** Whether things can have the key that is asked for: no number is a word. */
  private boolean canBe(Kind kind, RecordValue parameters) {
    Map<String, ScalarType> types = new HashMap<>();
    for (Field field : shapes.fieldsOf(kind.rowShape())) {
      if (shapes.get(field.shape()) instanceof Shape.Scalar scalar) {
        types.put(field.name(), scalar.type());
      }
    }
    return kind.keys().entrySet().stream()
        .allMatch(
            key ->
                ScalarText.parse(
                        types.getOrDefault(key.getValue(), ScalarType.TEXT),
                        ScalarText.print(parameters.get(key.getKey())))
                    .isPresent());
  }

  /** Where all things are made up, there is one for every key that may be asked for. */
  private RecordValue any(Kind kind, Kind.Group group, RecordValue parameters) {
    RecordValue thing = SampleMaker.make(shapes, kind.rowShape(), SampleMaker.Extent.EVERYTHING);
    for (Map.Entry<String, String> key : kind.keys().entrySet()) {
      thing = thing.with(key.getValue(), parameters.get(key.getKey()));
    }
    return stamped(belonging(kind, group, thing));
  }

  private void keep(Kind kind, Kind.Group group, RecordValue thing) {
    List<String> key = keyOf(kind, thing);
    if (kind.size() >= MOST && !group.has(key)) {
      throw new Refusal(507, "A stand-in remembers " + MOST + " things of a kind at most.");
    }
    group.gone().remove(key);
    group.byKey().put(key, thing);
  }

  private RecordValue create(Kind kind, Kind.Group group, Serving.Question question) {
    RecordValue given = body(kind, question);
    RecordValue made = SampleMaker.make(shapes, kind.rowShape(), SampleMaker.Extent.REQUIRED);
    RecordValue thing = over(belonging(kind, group, made), given);
    for (String field : kind.keys().values()) {
      if (given.get(field).isAbsent()) {
        thing = thing.with(field, next(kind, group, field));
      }
    }
    keep(kind, group, thing);
    return thing;
  }

  /** A key that nobody gave is made by whoever keeps the things. */
  private Value next(Kind kind, Kind.Group group, String field) {
    created++;
    Value like =
        SampleMaker.make(shapes, kind.rowShape(), SampleMaker.Extent.EVERYTHING).get(field);
    if (like instanceof NumberValue) {
      BigDecimal last =
          group.byKey().values().stream()
              .map(thing -> thing.get(field))
              .filter(NumberValue.class::isInstance)
              .map(number -> ((NumberValue) number).number())
              .max(Comparator.naturalOrder())
              .orElse(BigDecimal.ZERO);
      return new NumberValue(last.add(BigDecimal.ONE));
    }
    UUID unique = UUID.nameUUIDFromBytes(("thing " + created).getBytes(StandardCharsets.UTF_8));
    return Value.text(
        ScalarText.print(like).length() == unique.toString().length()
            ? unique.toString()
            : "N" + created);
  }

  private RecordValue change(
      Kind kind, Kind.Group group, Serving.Question question, IncomingRequest asked) {
    RecordValue before = get(kind, group, question.parameters());
    unchanged(before, asked);
    RecordValue thing = over(before, body(kind, question));
    for (Map.Entry<String, String> key : kind.keys().entrySet()) {
      thing = thing.with(key.getValue(), before.get(key.getValue()));
    }
    thing = stamped(thing);
    keep(kind, group, thing);
    return thing;
  }

  /** A thing that tells its state gets a new one. */
  private RecordValue stamped(RecordValue thing) {
    created++;
    return thing.get(ETAG).isAbsent()
        ? thing
        : thing.with(ETAG, Value.text("W/\"" + created + "\""));
  }

  /** RFC 9110, section 13.1.1. */
  private static void unchanged(RecordValue thing, IncomingRequest asked) {
    Optional<String> wanted = asked.header("If-Match").filter(tag -> !tag.equals("*"));
    if (wanted.isPresent()
        && !thing.get(ETAG).isAbsent()
        && !wanted.get().equals(ScalarText.print(thing.get(ETAG)))) {
      throw new Refusal(412, "It was changed since it was read.");
    }
  }

  /** What was sent of the thing: the body, or else the parameters themselves. */
  private RecordValue body(Kind kind, Serving.Question question) {
    RecordValue sent =
        shapes.fieldsOf(question.operation().input()).stream()
            .filter(field -> field.wire() instanceof Wire.Body)
            .map(field -> question.parameters().get(field.name()))
            .filter(RecordValue.class::isInstance)
            .map(RecordValue.class::cast)
            .findFirst()
            .orElse(question.parameters());
    Map<String, Value> known = new LinkedHashMap<>();
    for (Field field : shapes.fieldsOf(kind.rowShape())) {
      Value value = sent.get(field.name());
      if (!value.isAbsent()) {
        known.put(field.name(), value);
      }
    }
    return RecordValue.of(known);
  }

  private static RecordValue over(RecordValue before, RecordValue given) {
    Map<String, Value> values = new LinkedHashMap<>(before.toMap());
    given.forEach(
        (name, value) -> {
          if (!value.isAbsent()) {
            values.put(name, value);
          }
        });
    return RecordValue.of(values);
  }
}
