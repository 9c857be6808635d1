package org.mapsel.server.apps;

import java.util.Map;
import java.util.stream.Collectors;
import org.mapsel.core.model.Formats;
import org.mapsel.core.model.Labels;
import org.mapsel.core.model.Look;
import org.mapsel.core.page.Trigger;
import org.mapsel.core.page.run.Happening;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.ValueType;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** What happens on a page, as people say it. */
public final class HappeningWords {

  /** More parameters and arguments than these tell no more. */
  private static final int MOST_VALUES = 3;

  private final PageWords page;
  private final Formats formats;

  /**
   * @param formats how values are written
   */
  public HappeningWords(PageWords page, Formats formats) {
    this.page = page;
    this.formats = formats;
  }

  public String of(Happening happening) {
    return switch (happening) {
      case Happening.Enters enters -> page.item(enters.input()) + " is " + value(enters.value());
      case Happening.Chooses chooses ->
          "row " + (chooses.row() + 1) + " of " + page.part(chooses.part()) + " is chosen";
      case Happening.Begins begins -> when(begins.when());
      case Happening.HoldsNot not ->
          not.step().isPresent()
              ? "passes over a step: its condition does not hold"
              : when(not.when()) + ": nothing, its condition does not hold";
      case Happening.Lacks lacks ->
          when(lacks.when()) + ": nothing, not filled yet: " + String.join(", ", lacks.names());
      case Happening.Calls calls ->
          "calls " + page.call(calls.call()) + with(calls.parameters().toMap());
      case Happening.ComesLate late ->
          page.call(late.call()) + " comes back too late: it was called again meanwhile";
      case Happening.Fails fails -> "which fails: " + fails.reason();
      case Happening.Sets sets -> {
        String value = shown(formats, sets.value());
        yield value.isEmpty()
            ? "empties " + page.item(sets.input())
            : "puts " + value + " into " + page.item(sets.input());
      }
      case Happening.Clears clears -> "empties " + page.part(clears.form());
      case Happening.Says says -> "says “" + says.words() + "”";
      case Happening.Asks asks -> "asks “" + asks.words() + "”, and on yes";
      case Happening.Opens opens -> "opens " + page.page(opens.page()) + with(opens.arguments());
      case Happening.GoesBack back -> "goes back";
      case Happening.OpensAddress opens -> "opens " + opens.address();
      case Happening.Stops stops -> "stops";
    };
  }

  /** What happened that a reaction waited for, as a sentence begins. */
  private String when(Trigger when) {
    String name = page.words(when);
    return switch (when) {
      case Trigger.Opened opened -> "When the page is opened";
      case Trigger.CameBack back -> "When somebody comes back to the page";
      case Trigger.Pressed pressed -> "When " + name + " is pressed";
      case Trigger.RowChosen chosen -> "When a row of " + name + " is chosen";
      case Trigger.Changed changed -> "When " + name + " changes";
      case Trigger.Answered answered -> "When " + name + " has answered";
      case Trigger.Every every -> "When " + every.seconds() + " seconds have passed";
    };
  }

  private String value(Value value) {
    String shown = shown(formats, value);
    return shown.isEmpty() ? "empty" : shown;
  }

  /** Values by their names; of records the names alone. */
  private String with(Map<String, Value> values) {
    if (values.isEmpty()) {
      return "";
    }
    String some =
        values.entrySet().stream()
            .limit(MOST_VALUES)
            .map(
                one -> {
                  String name = Labels.of(one.getKey());
                  return ListValue.plain(one.getValue()).isPresent()
                          || one.getValue() instanceof BooleanValue
                      ? name + " " + shown(formats, one.getValue())
                      : name;
                })
            .collect(Collectors.joining(", "));
    int more = values.size() - MOST_VALUES;
    return " with " + some + (more > 0 ? " and " + more + " more" : "");
  }

  /** A value that has no look of its own, as people read it; empty if there is none. */
  public static String shown(Formats formats, Value value) {
    ScalarType type =
        switch (value) {
          case NumberValue number -> ScalarType.DECIMAL;
          case BooleanValue yes -> ScalarType.BOOLEAN;
          case TimeValue time ->
              time.kind() == TimeValue.Kind.DATE ? ScalarType.DATE : ScalarType.DATE_TIME;
          default -> ScalarType.TEXT;
        };
    return value.isAbsent()
        ? ""
        : formats.show(value, Look.words(new ValueType.Simple(type, false)));
  }
}
