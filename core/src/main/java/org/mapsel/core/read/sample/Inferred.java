package org.mapsel.core.read.sample;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.declare.DataType;
import org.mapsel.core.ref.Place;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.ScalarGuess;
import org.mapsel.core.shape.ScalarType;

/** What is known of a type from the values that were seen; every further value widens it. */
final class Inferred {

  private final Map<String, Inferred> members = new LinkedHashMap<>();

  /** In how many of the records a member was. */
  private final Map<String, Integer> present = new LinkedHashMap<>();

  private final Set<String> repeated = new HashSet<>();
  private int records;
  private @Nullable Inferred item;
  private @Nullable ScalarType scalar;
  private boolean nullable;
  private Optional<String> first = Optional.empty();
  private DataType.XmlForm xml = DataType.XmlForm.NONE;

  void sawNull() {
    nullable = true;
  }

  /**
   * @param typed whether the format itself tells texts from numbers
   */
  void sawText(String text, boolean typed) {
    ScalarType guessed = ScalarGuess.of(text);
    boolean time = guessed == ScalarType.DATE || guessed == ScalarType.DATE_TIME;
    saw(typed && !time ? ScalarType.TEXT : guessed, text);
  }

  void sawNumber(String text) {
    boolean exponent = text.indexOf('e') >= 0 || text.indexOf('E') >= 0;
    saw(
        exponent
            ? ScalarType.FLOAT
            : text.indexOf('.') >= 0 ? ScalarType.DECIMAL : ScalarType.INTEGER,
        text);
  }

  void sawBoolean(String text) {
    saw(ScalarType.BOOLEAN, text);
  }

  /** Bytes of which nothing is known. */
  void sawFile() {
    scalar = ScalarType.BASE64;
  }

  private void saw(ScalarType type, String text) {
    // What was taken out is no value to send or to show.
    first = first.isEmpty() && !text.contains(Secrets.HIDDEN) ? Optional.of(text) : first;
    scalar = scalar == null ? type : ScalarGuess.both(scalar, type);
  }

  /** The items of a list. */
  Inferred item() {
    if (item == null) {
      item = new Inferred();
    }
    return item;
  }

  /** One more record begins. */
  void sawRecord() {
    records++;
  }

  Inferred member(String name) {
    return members.computeIfAbsent(name, one -> new Inferred());
  }

  /** A member was there so many times in the record that began last. */
  void sawMember(String name, int times) {
    present.merge(name, 1, Integer::sum);
    if (times > 1) {
      repeated.add(name);
    }
  }

  void named(DataType.XmlForm form) {
    xml = form;
  }

  /**
   * The type that takes everything that was seen.
   *
   * @param given whether the values seen hold where nothing else is given
   */
  DataType type(boolean given) {
    DataType.Form form = form(given);
    return new DataType(
        form,
        "",
        nullable,
        given && form instanceof DataType.Simple ? first : Optional.empty(),
        Optional.empty(),
        "",
        first.isEmpty() ? Hints.NONE : Hints.NONE.withExample(first.get()),
        xml,
        Place.in(""));
  }

  private DataType.Form form(boolean given) {
    if (item != null) {
      return new DataType.ListOf(item.type(given), Occurrence.ANY);
    }
    if (records > 0) {
      List<DataType.Member> all = new ArrayList<>();
      Set<String> required = new HashSet<>();
      members.forEach(
          (name, member) -> {
            DataType type = member.type(given);
            boolean list = repeated.contains(name);
            DataType own =
                list
                    ? new DataType(
                        new DataType.ListOf(type, Occurrence.ANY),
                        "",
                        false,
                        Optional.empty(),
                        Optional.empty(),
                        "",
                        Hints.NONE,
                        type.xml(),
                        Place.in(""))
                    : type;
            all.add(new DataType.Member(name, own));
            // Groups of values that were given are there also if nobody fills them.
            boolean needed = !given || own.form() instanceof DataType.Simple;
            if (needed && present.getOrDefault(name, 0) == records) {
              required.add(name);
            }
          });
      return new DataType.Structure(List.of(), all, required, Optional.empty(), Optional.empty());
    }
    if (scalar == null && given && nullable) {
      // Whoever fills what was null has to be let.
      return new DataType.Simple(ScalarType.TEXT, builtIn(ScalarType.TEXT), Facets.NONE);
    }
    return scalar == null
        ? new DataType.Anything()
        : new DataType.Simple(scalar, builtIn(scalar), Facets.NONE);
  }

  private static String builtIn(ScalarType type) {
    return switch (type) {
      case INTEGER -> "integer";
      case DECIMAL, FLOAT -> "number";
      case BOOLEAN -> "boolean";
      case DATE -> "date";
      case DATE_TIME -> "date-time";
      case BASE64 -> "binary";
      default -> "string";
    };
  }
}
