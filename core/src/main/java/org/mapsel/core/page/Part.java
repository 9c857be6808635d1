package org.mapsel.core.page;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.ref.PartId;

/** A thing on a page. */
public sealed interface Part {

  /** The name of the slot for the words over a part, or on it. */
  String HEADING = "heading";

  /** The name of the slot that says whether a part is shown; always if nothing fills it. */
  String SHOWN_IF = "shownIf";

  /** What every part has. */
  Base base();

  Part with(Base base);

  /** The inputs, columns or fields in it. */
  List<? extends Item> items();

  /** The part with other things in it; those that it cannot hold are left out. */
  Part withItems(List<? extends Item> items);

  /** The names of its own slots. */
  default Set<String> slotNames() {
    return Set.of(HEADING, SHOWN_IF);
  }

  default PartId id() {
    return base().id();
  }

  default Frame frame() {
    return base().frame();
  }

  /** Its own slots that are filled, by name, without those of the things in it. */
  default Map<String, Mapping> slots() {
    return base().slots();
  }

  /** What fills the words over it, or on it. */
  default Optional<Mapping> heading() {
    return base().slot(HEADING);
  }

  /** The part with a slot filled, or emptied; a name that it does not have changes nothing. */
  default Part withSlot(String name, Optional<Mapping> mapping) {
    return slotNames().contains(name) ? with(base().with(name, mapping)) : this;
  }

  /** Whether it takes returned fields as columns or fields of its own. */
  default boolean showsFields() {
    return this instanceof OverRows || this instanceof Record;
  }

  private static <T> List<T> only(Class<T> kind, List<?> items) {
    return items.stream().filter(kind::isInstance).map(kind::cast).toList();
  }

  /**
   * What every part has.
   *
   * @param slots its own slots that are filled, by name
   */
  record Base(PartId id, Map<String, Mapping> slots, Frame frame) {
    public Base {
      slots = Collections.unmodifiableMap(new LinkedHashMap<>(slots));
    }

    public static Base of(PartId id) {
      return new Base(id, Map.of(), Frame.USUAL);
    }

    public Optional<Mapping> slot(String name) {
      return Optional.ofNullable(slots.get(name));
    }

    public Base with(String name, Optional<Mapping> mapping) {
      Map<String, Mapping> changed = new LinkedHashMap<>(slots);
      mapping.ifPresentOrElse(filled -> changed.put(name, filled), () -> changed.remove(name));
      return new Base(id, changed, frame);
    }

    public Base with(Frame other) {
      return new Base(id, slots, other);
    }
  }

  /** Fields to type or choose in. */
  record Form(Base base, List<Input> items) implements Part {
    public Form {
      items = List.copyOf(items);
    }

    public static Form of(PartId id, List<Input> items) {
      return new Form(Base.of(id), items);
    }

    @Override
    public Form with(Base other) {
      return new Form(other, items);
    }

    @Override
    public Form withItems(List<? extends Item> other) {
      return new Form(base, only(Input.class, other));
    }
  }

  /**
   * Lines that are filled in, any number of them, each with the same inputs: what a repeated
   * parameter is made of.
   */
  record Lines(Base base, List<Input> items) implements Part {
    public Lines {
      items = List.copyOf(items);
    }

    public static Lines of(PartId id, String words, List<Input> items) {
      return new Lines(Base.of(id).with(HEADING, Optional.of(Mapping.fixed(words))), items);
    }

    @Override
    public Lines with(Base other) {
      return new Lines(other, items);
    }

    @Override
    public Lines withItems(List<? extends Item> other) {
      return new Lines(base, only(Input.class, other));
    }
  }

  /** Holds other parts: those whose frame says that they stand in it. */
  record Group(Base base, Way way) implements Part {

    /** How it holds them. */
    public enum Way {
      /** Under its heading. */
      OPEN,
      /** Shut until somebody opens it. */
      FOLDED,
      /** As a tab; groups next to each other that are tabs share one bar. */
      TAB
    }

    public static Group of(PartId id, String words) {
      return new Group(Base.of(id).with(HEADING, Optional.of(Mapping.fixed(words))), Way.OPEN);
    }

    @Override
    public Group with(Base other) {
      return new Group(other, way);
    }

    public Group with(Way other) {
      return new Group(base, other);
    }

    @Override
    public List<Item> items() {
      return List.of();
    }

    @Override
    public Group withItems(List<? extends Item> other) {
      return this;
    }
  }

  /** Something to press. */
  record Button(Base base, Manner manner) implements Part {

    /** How it is meant. */
    public enum Manner {
      MAIN,
      ORDINARY,
      /** What it does cannot be taken back, so it asks first. */
      DANGEROUS
    }

    public static Button of(PartId id, String words) {
      return new Button(Base.of(id).with(HEADING, Optional.of(Mapping.fixed(words))), Manner.MAIN);
    }

    @Override
    public Button with(Base other) {
      return new Button(other, manner);
    }

    public Button with(Manner other) {
      return new Button(base, other);
    }

    @Override
    public List<Item> items() {
      return List.of();
    }

    @Override
    public Button withItems(List<? extends Item> other) {
      return this;
    }
  }

  /** A part that shows the items of a list; its columns are filled for each of them. */
  sealed interface OverRows extends Part {

    /** The name of the slot for the rows. */
    String ROWS = "rows";

    @Override
    List<Shown> items();

    @Override
    default Set<String> slotNames() {
      return Set.of(HEADING, SHOWN_IF, ROWS);
    }

    /** The list whose items are the rows. */
    default Optional<Mapping> rows() {
      return base().slot(ROWS);
    }
  }

  /** Rows with columns. */
  record Table(Base base, List<Shown> items) implements OverRows {
    public Table {
      items = List.copyOf(items);
    }

    public static Table of(PartId id, Source rows, List<Shown> items) {
      return new Table(Base.of(id).with(ROWS, Optional.of(new Mapping(rows))), items);
    }

    @Override
    public Table with(Base other) {
      return new Table(other, items);
    }

    @Override
    public Table withItems(List<? extends Item> other) {
      return new Table(base, only(Shown.class, other));
    }
  }

  /** Rows that stand by themselves: a main line and what belongs to it. */
  record Cards(Base base, List<Shown> items) implements OverRows {
    public Cards {
      items = List.copyOf(items);
    }

    @Override
    public Cards with(Base other) {
      return new Cards(other, items);
    }

    @Override
    public Cards withItems(List<? extends Item> other) {
      return new Cards(base, only(Shown.class, other));
    }
  }

  /** Numbers of rows as a drawing: the first column along, each further one a line of its own. */
  record Chart(Base base, List<Shown> items, Drawing drawing) implements OverRows {

    /** What is drawn. */
    public enum Drawing {
      LINE,
      AREA,
      BAR,
      POINTS
    }

    public Chart {
      items = List.copyOf(items);
    }

    @Override
    public Chart with(Base other) {
      return new Chart(other, items, drawing);
    }

    public Chart with(Drawing other) {
      return new Chart(base, items, other);
    }

    @Override
    public Chart withItems(List<? extends Item> other) {
      return new Chart(base, only(Shown.class, other), drawing);
    }
  }

  /** One thing with its fields. */
  record Record(Base base, List<Shown> items) implements Part {
    public Record {
      items = List.copyOf(items);
    }

    public static Record of(PartId id, List<Shown> items) {
      return new Record(Base.of(id), items);
    }

    @Override
    public Record with(Base other) {
      return new Record(other, items);
    }

    @Override
    public Record withItems(List<? extends Item> other) {
      return new Record(base, only(Shown.class, other));
    }
  }

  /** Words that stand on the page. */
  record Text(Base base) implements Part {

    public static Text of(PartId id, String words) {
      return new Text(Base.of(id).with(HEADING, Optional.of(Mapping.fixed(words))));
    }

    @Override
    public Text with(Base other) {
      return new Text(other);
    }

    @Override
    public List<Item> items() {
      return List.of();
    }

    @Override
    public Text withItems(List<? extends Item> other) {
      return this;
    }
  }
}
