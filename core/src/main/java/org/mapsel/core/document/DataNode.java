package org.mapsel.core.document;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.Place;

/**
 * A value in a JSON or YAML document that knows where it stands. A YAML alias is the very node that
 * its anchor marks, so a document is no larger in memory than it is as text, and may contain itself
 * nowhere.
 */
public final class DataNode implements Iterable<DataNode> {

  /** What a value is (RFC 8259, section 3). */
  public enum Kind {
    OBJECT,
    ARRAY,
    STRING,
    NUMBER,
    BOOLEAN,
    NULL
  }

  /** From so many members on, looking through all of them takes longer than an index. */
  private static final int MANY = 12;

  private static final DataNode[] NONE = {};
  private static final String[] NAMELESS = {};

  private final Kind kind;
  private final String text;
  private final String[] names;
  private final DataNode[] children;
  private final int line;
  private final int column;
  private @Nullable Map<String, DataNode> index;

  private DataNode(
      Kind kind, String text, String[] names, DataNode[] children, int line, int column) {
    this.kind = kind;
    this.text = text;
    this.names = names;
    this.children = children;
    this.line = line;
    this.column = column;
  }

  static DataNode scalar(Kind kind, String text, int line, int column) {
    return new DataNode(kind, text, NAMELESS, NONE, line, column);
  }

  static DataNode array(DataNode[] items, int line, int column) {
    return new DataNode(Kind.ARRAY, "", NAMELESS, items, line, column);
  }

  /** Of two members with the same name the first one counts. */
  static DataNode object(String[] names, DataNode[] values, int line, int column) {
    return new DataNode(Kind.OBJECT, "", names, values, line, column);
  }

  public Kind kind() {
    return kind;
  }

  public boolean isObject() {
    return kind == Kind.OBJECT;
  }

  public boolean isArray() {
    return kind == Kind.ARRAY;
  }

  public boolean isString() {
    return kind == Kind.STRING;
  }

  public boolean isNull() {
    return kind == Kind.NULL;
  }

  /** Whether it says {@code true}. */
  public boolean isTrue() {
    return kind == Kind.BOOLEAN && text.equals("true");
  }

  /** A simple value as it was written; empty for objects and arrays. */
  public String text() {
    return text;
  }

  /** Members of an object or items of an array. */
  public int size() {
    return children.length;
  }

  /** The member of this name; null if there is none. */
  public @Nullable DataNode get(String name) {
    if (names.length > MANY) {
      return index().get(name);
    }
    for (int i = 0; i < names.length; i++) {
      if (names[i].equals(name)) {
        return children[i];
      }
    }
    return null;
  }

  private Map<String, DataNode> index() {
    Map<String, DataNode> known = index;
    if (known == null) {
      known = HashMap.newHashMap(names.length);
      for (int i = 0; i < names.length; i++) {
        known.putIfAbsent(names[i], children[i]);
      }
      index = known;
    }
    return known;
  }

  public Optional<DataNode> find(String name) {
    return Optional.ofNullable(get(name));
  }

  public boolean has(String name) {
    return get(name) != null;
  }

  /** The text of a simple member; empty if there is none. */
  public String text(String name) {
    DataNode member = get(name);
    return member == null ? "" : member.text;
  }

  /** The text of a simple member that is there and not null. */
  public Optional<String> findText(String name) {
    DataNode member = get(name);
    return member == null || member.names.length + member.children.length > 0 || member.isNull()
        ? Optional.empty()
        : Optional.of(member.text);
  }

  public boolean isTrue(String name) {
    DataNode member = get(name);
    return member != null && member.isTrue();
  }

  /** The names of an object's members in their order. */
  public List<String> names() {
    return Arrays.asList(names);
  }

  /** Every member of an object in its order. */
  public void forEachMember(BiConsumer<String, DataNode> action) {
    for (int i = 0; i < names.length; i++) {
      action.accept(names[i], children[i]);
    }
  }

  /** The items of an array, or the values of an object. */
  public List<DataNode> items() {
    return Arrays.asList(children);
  }

  @Override
  public Iterator<DataNode> iterator() {
    return items().iterator();
  }

  /** The values of a member that is an array; none if there is no such. */
  public List<DataNode> items(String name) {
    DataNode member = get(name);
    return member == null || !member.isArray() ? List.of() : member.items();
  }

  public Place place(String document) {
    return new Place(document, line, column);
  }

  /**
   * What a JSON pointer leads to (RFC 6901); nothing if it leads nowhere.
   *
   * @param pointer empty or starting with a slash
   */
  public Optional<DataNode> at(String pointer) {
    DataNode here = this;
    if (pointer.isEmpty()) {
      return Optional.of(here);
    }
    for (String step : pointer.substring(1).split("/", -1)) {
      DataNode next =
          here.isArray() ? item(here, step) : here.get(step.replace("~1", "/").replace("~0", "~"));
      if (next == null) {
        return Optional.empty();
      }
      here = next;
    }
    return Optional.of(here);
  }

  private static @Nullable DataNode item(DataNode array, String step) {
    int index = step.matches("\\d{1,8}") ? Integer.parseInt(step) : array.children.length;
    return index < array.children.length ? array.children[index] : null;
  }
}
