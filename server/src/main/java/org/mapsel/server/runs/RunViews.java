package org.mapsel.server.runs;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.page.view.PageView;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.server.samples.Simulation;
import org.mapsel.server.web.FindingView;
import org.mapsel.server.web.ProblemView;
import tools.jackson.databind.JsonNode;

/** What the API says about pages that run. */
final class RunViews {

  private RunViews() {}

  /**
   * A run of a page.
   *
   * @param as for whom it is opened
   * @param release which release; nothing for the one that visitors see now
   * @param inputs what stands in the form already: when a page is opened anew, or tried with a
   *     sample
   * @param arguments what the page is opened with, as its address has it: only simple ones
   * @param simulation how services are made to look; only for those who build
   * @param stop by which key it can be stopped while it waits
   */
  record RunRequest(
      RunAs as,
      @Nullable Long release,
      Map<String, JsonNode> inputs,
      Map<String, String> arguments,
      @Nullable SimulationView simulation,
      @Nullable String stop) {
    RunRequest {
      Objects.requireNonNull(as);
      inputs = Map.copyOf(inputs);
      arguments = Map.copyOf(arguments);
    }
  }

  /**
   * How services are made to look.
   *
   * @param call the only call that meets them so; nothing if all do
   */
  record SimulationView(Simulation how, @Nullable String call) {
    SimulationView {
      Objects.requireNonNull(how);
    }

    Simulation of(CallId other) {
      return call == null || call.equals(other.text()) ? how : Simulation.NONE;
    }
  }

  /** For whom a page is opened. */
  enum RunAs {
    /** Who builds it and tries the draft: what comes back becomes the current sample, whole. */
    BUILDER,
    /** Who looks at the draft as visitors would see it. */
    REVIEWER,
    /** Who uses what was released. */
    VISITOR
  }

  /**
   * Something a visitor did, with what was typed since the last event.
   *
   * @param simulation how services are made to look; only for those who build
   * @param stop by which key it can be stopped while it waits
   */
  record EventRequest(
      Map<String, JsonNode> inputs,
      Happening event,
      @Nullable SimulationView simulation,
      @Nullable String stop) {
    EventRequest {
      Objects.requireNonNull(event);
      inputs = Map.copyOf(inputs);
    }
  }

  /** What happened. */
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Happening.ButtonPressed.class, name = "pressed"),
    @JsonSubTypes.Type(value = Happening.RowPicked.class, name = "chosen"),
    @JsonSubTypes.Type(value = Happening.RowsArranged.class, name = "arranged"),
    @JsonSubTypes.Type(value = Happening.Replied.class, name = "replied"),
    @JsonSubTypes.Type(value = Happening.TimePassed.class, name = "passed"),
    @JsonSubTypes.Type(value = Happening.VisitorBack.class, name = "cameBack"),
    @JsonSubTypes.Type(value = Happening.ValuesEntered.class, name = "entered")
  })
  sealed interface Happening {

    /**
     * A button was pressed.
     *
     * @param row the number of the row that it stands in, nothing if it stands in none
     */
    record ButtonPressed(String button, @Nullable Integer row) implements Happening {}

    /** A row was chosen, by its number. */
    record RowPicked(String part, int row) implements Happening {}

    /**
     * Rows are to be seen in another order, or only those that have something in them.
     *
     * @param by the column that orders them; nothing for the order of the answer
     */
    record RowsArranged(String part, @Nullable String by, boolean descending, String find)
        implements Happening {}

    /** The page asked something, and this is the answer. */
    record Replied(boolean yes) implements Happening {}

    /** So many seconds have passed while the page was looked at. */
    record TimePassed(int seconds) implements Happening {}

    /** The visitor is back from another page. */
    record VisitorBack() implements Happening {}

    /** Nothing but what was typed. */
    record ValuesEntered() implements Happening {}
  }

  /**
   * What it came to.
   *
   * @param leads where the visitor is to go now; nothing to stay
   * @param trace what happened, in its order; nothing for a visitor
   * @param replayed the names of the services that are answered for from samples
   */
  record RunView(
      String run,
      PageView page,
      @Nullable Leads leads,
      List<TraceEntry> trace,
      List<String> replayed) {}

  /**
   * A line of what an event comes to; each has one of these.
   *
   * @param waiting how the page looks while services are waited for
   * @param run how it looks in the end, with the last line
   * @param problem why it came to nothing, with the last line
   */
  record RunEvent(
      @Nullable RunView waiting, @Nullable RunView run, @Nullable ProblemView problem) {}

  /** Where a page leads. */
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Leads.ToPage.class, name = "page"),
    @JsonSubTypes.Type(value = Leads.Back.class, name = "back"),
    @JsonSubTypes.Type(value = Leads.Outside.class, name = "outside")
  })
  sealed interface Leads {

    /**
     * To a page of the app.
     *
     * @param run where it runs already
     * @param arguments what it is opened with, as far as its address can have it
     */
    record ToPage(String page, String run, Map<String, String> arguments) implements Leads {}

    /**
     * Back to the page that this one was opened from.
     *
     * @param run where that one runs; empty if this one was opened by itself
     */
    record Back(String page, String run) implements Leads {}

    /** To an address outside. */
    record Outside(String address) implements Leads {}
  }

  /**
   * Something that happened.
   *
   * @param atMillis how long after the press that it follows from
   * @param call what was called, where that is it
   */
  record TraceEntry(TraceKind kind, long atMillis, String words, @Nullable TracedCall call) {}

  /** What kind of thing happened. */
  enum TraceKind {
    /** The visitor did something, or a reaction began. */
    EVENT,
    /** A step was taken. */
    STEP,
    /** Something did not happen. */
    PASSED_OVER
  }

  /** A call on the way: what went in, what became of it. */
  record TracedCall(
      String call,
      String operation,
      List<TracedParameter> parameters,
      boolean failed,
      @Nullable String exchange,
      @Nullable Integer status,
      @Nullable Long tookMillis,
      @Nullable OffsetDateTime startedAt,
      List<FindingView> findings) {}

  /**
   * A parameter as it was sent.
   *
   * @param from where it came from, in words
   */
  record TracedParameter(FieldPath path, JsonNode value, String from) {}

  /**
   * Where a value on the page comes from.
   *
   * @param source in words
   * @param how how it is made, where that is a formula, a pattern or a key; empty otherwise
   * @param value as people read it; nothing where it is no single value
   * @param answer where in an answer it stands
   * @param from what it is made of in turn
   */
  record OriginView(
      String source,
      String how,
      @Nullable String value,
      @Nullable InAnswerView answer,
      List<OriginView> from) {}

  /**
   * A value in an answer.
   *
   * @param place with the numbers of items where there are lists
   * @param exchange where what went over the wire is kept; nothing if it is a sample
   * @param mark where in the text of the answer it stands; nothing where that cannot be told
   */
  record InAnswerView(
      CallId call,
      String operation,
      FieldPath place,
      @Nullable String exchange,
      @Nullable MarkView mark) {}

  /**
   * Characters of an answer, from 0; the end is behind the last one.
   *
   * @param line what stands around it
   * @param from where in that the characters start
   */
  record MarkView(int start, int end, String line, int from) {}

  /**
   * What is made of a place in an answer.
   *
   * @param field the field that it is read into; nothing if it is read into none
   * @param shown where on the page that is seen
   */
  record SeenView(@Nullable FieldPath field, List<ShownAtView> shown) {}

  /** A place on the page. */
  record ShownAtView(PartId part, @Nullable PartId item, @Nullable Integer row, String words) {}

  /**
   * What a part says on a page that was just opened.
   *
   * @param text nothing if it says nothing now
   * @param at when the page was opened for it
   */
  record FigureView(@Nullable String text, OffsetDateTime at) {}
}
