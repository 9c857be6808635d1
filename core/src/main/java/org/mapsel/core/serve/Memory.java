package org.mapsel.core.serve;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.serve.CollectionFinder.Does;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/**
 * What a stand-in remembers of the things that can be created, changed and deleted at it. Things
 * are known by their key, a list of them by its address.
 */
final class Memory {

  private static final int MOST = 10_000;
  private static final String ETAG = "etag";

  /** How often a made thing gets another key before it is given up. */
  private static final int MOST_KEYS = 20;

  private record Role(Does does, Collection collection) {}

  /**
   * Things of one kind.
   *
   * @param made whether the things are made up, so that there may be any others as well
   * @param gone keys of those that were deleted
   */
  private record Collection(
      CollectionFinder.Found found,
      boolean made,
      Map<List<String>, RecordValue> things,
      Set<List<String>> gone) {

    Operation list() {
      return found.list();
    }

    Map<String, String> keys() {
      return found.keys();
    }

    ShapeId rowShape() {
      return found.rows().shape();
    }

    /** How many the list must have, as described. */
    int least() {
      return Math.max(found.rows().occurrence().min(), found.rows().occurrence().least());
    }
  }

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
    Collection collection =
        new Collection(found, answers.isMade(found.list()), new LinkedHashMap<>(), new HashSet<>());
    if (answers.of(found.list(), RecordValue.empty()).get(found.rows().name())
        instanceof ListValue seed) {
      seed(collection, seed);
    }
    // With fewer keys than the list must have rows, it cannot be of things with a key.
    if (collection.things().size() >= collection.least()) {
      found.does().forEach((operation, does) -> roles.put(operation, new Role(does, collection)));
    }
  }

  /** Made things have the key that the description gives as an example; only one may keep it. */
  private void seed(Collection collection, ListValue rows) {
    int made = 0;
    for (Value row : rows.items()) {
      RecordValue thing = (RecordValue) row;
      int tries = 0;
      while (collection.made()
          && collection.things().containsKey(keyOf(collection, thing))
          && tries++ < MOST_KEYS) {
        RecordValue other = SampleMaker.unlikeExamples(shapes, collection.rowShape(), made++);
        for (String key : collection.keys().values()) {
          thing = thing.with(key, other.get(key));
        }
      }
      keep(collection, stamped(thing));
    }
  }

  private static List<String> keyOf(Collection collection, RecordValue thing) {
    return collection.keys().values().stream()
        .map(field -> ScalarText.print(thing.get(field)))
        .toList();
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
    Collection collection = role.collection();
    return Optional.of(
        switch (role.does()) {
          case LIST -> list(collection, question);
          case READ -> told(question, get(collection, question.parameters()));
          case CREATE -> told(question, create(collection, question));
          case CHANGE -> told(question, change(collection, question, asked));
          case DELETE -> {
            RecordValue gone = get(collection, question.parameters());
            unchanged(gone, asked);
            List<String> key = key(collection, question.parameters());
            if (collection.things().containsKey(key)
                && collection.things().size() <= collection.least()) {
              throw new Refusal(
                  409, "The description wants " + collection.least() + " of these at least.");
            }
            collection.things().remove(key);
            if (collection.gone().size() < MOST) {
              collection.gone().add(key);
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

  private RecordValue list(Collection collection, Serving.Question question) {
    RowQuery query = question.query();
    List<RecordValue> all = List.copyOf(collection.things().values());
    List<RecordValue> fitting =
        query.matching(all.stream().filter(row -> fits(row, question.parameters())).toList());
    // A list that must have rows has some that were not asked for rather than too few.
    List<RecordValue> matching = fitting.size() < collection.least() ? all : fitting;
    RecordValue whole =
        answers
            .of(collection.list(), question.parameters())
            .with("next", Value.ABSENT)
            .with(
                collection.found().rows().name(), new ListValue(List.copyOf(query.page(matching))));
    return whole.with("count", query.count() ? NumberValue.of(matching.size()) : Value.ABSENT);
  }

  /** A parameter that is called like a field of the rows narrows the list to those that have it. */
  private static boolean fits(RecordValue row, RecordValue parameters) {
    for (String name : parameters.names()) {
      Value wanted = parameters.get(name);
      Value has = row.get(name);
      if (!wanted.isAbsent()
          && !has.isAbsent()
          && !(wanted instanceof RecordValue)
          && !(wanted instanceof ListValue)
          && !ScalarText.print(wanted).equals(ScalarText.print(has))) {
        return false;
      }
    }
    return true;
  }

  private List<String> key(Collection collection, RecordValue parameters) {
    return collection.keys().keySet().stream()
        .map(name -> ScalarText.print(parameters.get(name)))
        .toList();
  }

  private RecordValue get(Collection collection, RecordValue parameters) {
    List<String> key = key(collection, parameters);
    RecordValue thing = collection.things().get(key);
    if (thing == null && collection.made() && !collection.gone().contains(key)) {
      return any(collection, parameters);
    }
    if (thing == null) {
      throw new Refusal(404, "There is nothing with the key " + String.join(", ", key) + ".");
    }
    return thing;
  }

  /** Where all things are made up, there is one for every key that may be asked for. */
  private RecordValue any(Collection collection, RecordValue parameters) {
    RecordValue thing =
        SampleMaker.make(shapes, collection.rowShape(), SampleMaker.Extent.EVERYTHING);
    for (Map.Entry<String, String> key : collection.keys().entrySet()) {
      thing = thing.with(key.getValue(), parameters.get(key.getKey()));
    }
    return stamped(thing);
  }

  private void keep(Collection collection, RecordValue thing) {
    List<String> key = keyOf(collection, thing);
    if (collection.things().size() >= MOST && !collection.things().containsKey(key)) {
      throw new Refusal(507, "A stand-in remembers " + MOST + " things of a kind at most.");
    }
    collection.gone().remove(key);
    collection.things().put(key, thing);
  }

  private RecordValue create(Collection collection, Serving.Question question) {
    RecordValue given = body(collection, question);
    RecordValue made = SampleMaker.make(shapes, collection.rowShape(), SampleMaker.Extent.REQUIRED);
    RecordValue thing = over(made, given);
    for (String field : collection.keys().values()) {
      if (given.get(field).isAbsent()) {
        thing = thing.with(field, next(collection, field));
      }
    }
    keep(collection, thing);
    return thing;
  }

  /** A key that nobody gave is made by whoever keeps the things. */
  private Value next(Collection collection, String field) {
    created++;
    Value like =
        SampleMaker.make(shapes, collection.rowShape(), SampleMaker.Extent.EVERYTHING).get(field);
    if (like instanceof NumberValue) {
      BigDecimal last =
          collection.things().values().stream()
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
      Collection collection, Serving.Question question, IncomingRequest asked) {
    RecordValue before = get(collection, question.parameters());
    unchanged(before, asked);
    RecordValue thing = over(before, body(collection, question));
    for (Map.Entry<String, String> key : collection.keys().entrySet()) {
      thing = thing.with(key.getValue(), before.get(key.getValue()));
    }
    thing = stamped(thing);
    keep(collection, thing);
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
  private RecordValue body(Collection collection, Serving.Question question) {
    RecordValue sent =
        shapes.fieldsOf(question.operation().input()).stream()
            .filter(field -> field.wire() instanceof Wire.Body)
            .map(field -> question.parameters().get(field.name()))
            .filter(RecordValue.class::isInstance)
            .map(RecordValue.class::cast)
            .findFirst()
            .orElse(question.parameters());
    Map<String, Value> known = new LinkedHashMap<>();
    for (Field field : shapes.fieldsOf(collection.rowShape())) {
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
