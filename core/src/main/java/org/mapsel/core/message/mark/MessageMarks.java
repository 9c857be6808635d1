package org.mapsel.core.message.mark;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.Places;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/**
 * Where values stand in a message, whatever its format. The message is read once more with other
 * texts in place of those that are looked for: where these come out is where those stand. So it is
 * the reader itself that tells, and nothing has to know a second time how it reads.
 */
public final class MessageMarks {

  /** Characters of a message, from 0; the end is behind the last one. */
  public record Span(int start, int end) {}

  /** So many texts are tried one by one where changing all of them at once changes too much. */
  private static final int MOST_SINGLY = 8;

  /** Characters that no simple type but text has, and that no format escapes. */
  private static final String ZERO = "~";

  private static final String ONE = "!";

  /** What stands between a value and one before it, if that is not its own name or start tag. */
  private static final String BEFORE = "<{[,]}";

  /** What stands behind a value, if it is not its own end tag. */
  private static final String BEHIND = ">{[,]}";

  /** The first and last values of a record tell where it stands; so many are tried. */
  private static final int MOST_ENDS = 8;

  private final String message;
  private final Function<String, Optional<RecordValue>> reader;
  private final List<Leaf> leaves;

  /**
   * @param message as text
   * @param reader how such messages are read; nothing for what it cannot read
   */
  public MessageMarks(String message, Function<String, Optional<RecordValue>> reader) {
    this.message = message;
    this.reader = reader;
    this.leaves = Leaves.of(message);
  }

  /**
   * Where the value at a place stands; nothing if there is none, or if it is made of more than one
   * text. A record or list stands where the values in it do.
   *
   * @param place as {@link Places} tells it
   */
  public Optional<Span> of(FieldPath place) {
    Value value = reader.apply(message).map(read -> read.at(place)).orElse(Value.ABSENT);
    if (!(value instanceof RecordValue) && !(value instanceof ListValue)) {
      return of(place, value);
    }
    List<FieldPath> inside = Places.simple(value).toList();
    return Stream.concat(
            inside.stream().limit(MOST_ENDS),
            inside.stream().skip(Math.max(MOST_ENDS, inside.size() - MOST_ENDS)))
        .flatMap(below -> of(place.then(below), value.at(below)).stream())
        .reduce(
            (one, other) ->
                new Span(Math.min(one.start(), other.start()), Math.max(one.end(), other.end())));
  }

  private Optional<Span> of(FieldPath place, Value value) {
    List<Leaf> likely = leaves.stream().filter(leaf -> mayBe(leaf, value)).toList();
    if (likely.isEmpty()) {
      return Optional.empty();
    }
    return one(likely.stream().filter(leaf -> leaf.manner() != Leaf.Manner.NAME).toList(), place)
        .or(
            () ->
                likely.stream()
                    .limit(MOST_SINGLY)
                    .flatMap(leaf -> one(List.of(leaf), place).stream())
                    .findFirst())
        .map(leaf -> new Span(leaf.start(), leaf.end()));
  }

  /** The one of several texts that comes out at a place. */
  private Optional<Leaf> one(List<Leaf> changed, FieldPath place) {
    Map<String, Leaf> marks = new HashMap<>();
    String marked = marked(changed, marks);
    Value read = reader.apply(marked).map(record -> record.at(place)).orElse(Value.ABSENT);
    if (read instanceof BinaryValue binary && binary.size() == 0 && changed.size() == 1) {
      // Decoders pass over characters that mean nothing to them.
      return Optional.of(changed.getFirst());
    }
    return read instanceof TextValue text
        ? Optional.ofNullable(marks.get(text.text()))
        : Optional.empty();
  }

  /**
   * The place of the value that stands at a position, or whose name or tags do; nothing if the text
   * there is read into none.
   */
  public Optional<FieldPath> at(int position) {
    return Stream.of(
            leaves.stream().filter(leaf -> leaf.contains(position)).findFirst(),
            leaves.stream()
                .filter(leaf -> leaf.manner() != Leaf.Manner.NAME && leaf.start() >= position)
                .findFirst()
                .filter(leaf -> isOpen(message.substring(position, leaf.start()), BEFORE)),
            leaves.reversed().stream()
                .filter(leaf -> leaf.end() <= position)
                .findFirst()
                .filter(
                    leaf ->
                        isOpen(
                            message.substring(leaf.end(), Math.max(leaf.end(), position - 1)),
                            BEHIND)))
        .flatMap(Optional::stream)
        .flatMap(leaf -> placeOf(leaf).stream())
        .findFirst();
  }

  /** Whether nothing else begins or ends between a position and a text. */
  private static boolean isOpen(String between, String separators) {
    return between.chars().noneMatch(one -> separators.indexOf(one) >= 0);
  }

  private Optional<FieldPath> placeOf(Leaf leaf) {
    Map<String, Leaf> marks = new HashMap<>();
    String marked = marked(List.of(leaf), marks);
    String mark = marks.keySet().iterator().next();
    return reader.apply(marked).flatMap(read -> Places.ofText(read, mark));
  }

  /** The message with a text of its own in place of each of some. */
  private String marked(List<Leaf> changed, Map<String, Leaf> marks) {
    StringBuilder marked = new StringBuilder(message.length());
    int copied = 0;
    for (Leaf leaf : changed) {
      String mark = mark(marks.size());
      marks.put(mark, leaf);
      marked.append(message, copied, leaf.start());
      marked.append(leaf.manner() == Leaf.Manner.BARE ? '"' + mark + '"' : mark);
      copied = leaf.end();
    }
    return marked.append(message, copied, message.length()).toString();
  }

  private static String mark(int number) {
    String digits = Integer.toBinaryString(number);
    return ZERO + ONE + ZERO + digits.replace("0", ZERO).replace("1", ONE);
  }

  /** Whether a text may be what a value was read from. */
  private static boolean mayBe(Leaf leaf, Value value) {
    String text = leaf.text();
    return switch (value) {
      case TextValue one -> text.equals(one.text()) || text.strip().equals(one.text().strip());
      case NumberValue one ->
          ScalarText.parse(ScalarType.FLOAT, text)
              .filter(NumberValue.class::isInstance)
              .filter(read -> ((NumberValue) read).number().compareTo(one.number()) == 0)
              .isPresent();
      case TimeValue one ->
          text.startsWith("/Date(")
              || types(one.kind()).anyMatch(type -> isRead(type, text, value));
      case BinaryValue one ->
          text.length() >= one.size()
              && Stream.of(ScalarType.BASE64, ScalarType.HEX)
                  .anyMatch(type -> isRead(type, text, value));
      default -> isRead(ScalarType.BOOLEAN, text, value);
    };
  }

  private static Stream<ScalarType> types(TimeValue.Kind kind) {
    return switch (kind) {
      case DATE -> Stream.of(ScalarType.DATE);
      case TIME -> Stream.of(ScalarType.TIME, ScalarType.DURATION);
      case DATE_TIME -> Stream.of(ScalarType.DATE_TIME);
      case DURATION -> Stream.of(ScalarType.DURATION);
      case PARTIAL -> Stream.of(ScalarType.PARTIAL_DATE);
    };
  }

  private static boolean isRead(ScalarType type, String text, Value value) {
    return ScalarText.parse(type, text).filter(value::equals).isPresent();
  }
}
