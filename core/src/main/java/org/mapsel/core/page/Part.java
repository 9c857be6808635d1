package org.mapsel.core.page;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.ref.PartId;

/** A thing on a page. */
public sealed interface Part {

  /** The name of the slot for the words over a part, or on it. */
  String HEADING = "heading";

  PartId id();

  /** What fills the words over it, or on it. */
  Optional<Mapping> heading();

  /** Its own slots that are filled, by name, without those of the things in it. */
  Map<String, Mapping> slots();

  /** The part with a slot filled, or emptied; a name that it does not have changes nothing. */
  Part withSlot(String name, Optional<Mapping> mapping);

  /** The inputs, columns or fields in it. */
  List<? extends Item> items();

  /** The part with other things in it; those that it cannot hold are left out. */
  Part withItems(List<? extends Item> items);

  /** Whether it takes returned fields as columns or fields of its own. */
  default boolean showsFields() {
    return this instanceof Table || this instanceof Record;
  }

  private static Map<String, Mapping> named(String name, Optional<Mapping> mapping) {
    return mapping.map(filled -> Map.of(name, filled)).orElse(Map.of());
  }

  private static <T> List<T> only(Class<T> kind, List<?> items) {
    return items.stream().filter(kind::isInstance).map(kind::cast).toList();
  }

  /** Fields to type or choose in. */
  record Form(PartId id, Optional<Mapping> heading, List<Input> items) implements Part {
    public Form {
      items = List.copyOf(items);
    }

    public static Form of(PartId id) {
      return new Form(id, Optional.empty(), List.of());
    }

    @Override
    public Map<String, Mapping> slots() {
      return named(HEADING, heading);
    }

    @Override
    public Form withSlot(String name, Optional<Mapping> mapping) {
      return name.equals(HEADING) ? new Form(id, mapping, items) : this;
    }

    @Override
    public Form withItems(List<? extends Item> other) {
      return new Form(id, heading, only(Input.class, other));
    }
  }

  /** Something to press. */
  record Button(PartId id, Optional<Mapping> heading) implements Part {
    @Override
    public Map<String, Mapping> slots() {
      return named(HEADING, heading);
    }

    @Override
    public Button withSlot(String name, Optional<Mapping> mapping) {
      return name.equals(HEADING) ? new Button(id, mapping) : this;
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

  /**
   * Rows with columns.
   *
   * @param rows the list whose items are the rows
   */
  record Table(PartId id, Optional<Mapping> heading, Optional<Mapping> rows, List<Shown> items)
      implements Part {

    /** The name of the slot for the rows. */
    public static final String ROWS = "rows";

    public Table {
      items = List.copyOf(items);
    }

    @Override
    public Map<String, Mapping> slots() {
      Map<String, Mapping> slots = new LinkedHashMap<>(named(HEADING, heading));
      slots.putAll(named(ROWS, rows));
      return slots;
    }

    @Override
    public Table withSlot(String name, Optional<Mapping> mapping) {
      return switch (name) {
        case HEADING -> new Table(id, mapping, rows, items);
        case ROWS -> new Table(id, heading, mapping, items);
        default -> this;
      };
    }

    @Override
    public Table withItems(List<? extends Item> other) {
      return new Table(id, heading, rows, only(Shown.class, other));
    }
  }

  /** One thing with its fields. */
  record Record(PartId id, Optional<Mapping> heading, List<Shown> items) implements Part {
    public Record {
      items = List.copyOf(items);
    }

    @Override
    public Map<String, Mapping> slots() {
      return named(HEADING, heading);
    }

    @Override
    public Record withSlot(String name, Optional<Mapping> mapping) {
      return name.equals(HEADING) ? new Record(id, mapping, items) : this;
    }

    @Override
    public Record withItems(List<? extends Item> other) {
      return new Record(id, heading, only(Shown.class, other));
    }
  }

  /** Words that stand on the page. */
  record Text(PartId id, Optional<Mapping> heading) implements Part {
    @Override
    public Map<String, Mapping> slots() {
      return named(HEADING, heading);
    }

    @Override
    public Text withSlot(String name, Optional<Mapping> mapping) {
      return name.equals(HEADING) ? new Text(id, mapping) : this;
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
