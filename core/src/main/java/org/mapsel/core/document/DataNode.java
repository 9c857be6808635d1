package org.mapsel.core.document;

import java.util.AbstractList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.RandomAccess;
import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.Place;

/**
 * A value in a JSON or YAML document that knows where it stands. A YAML alias is the very node that
 * its anchor marks, so a document is no larger in memory than it is as text, and may contain itself
 * nowhere.
 *
 * <p>Documents are mostly simple values, which stand where what is around them starts. So objects
 * and arrays keep them without a node of their own, and make one for whoever asks.
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

  /**
   * A simple value that is no string; a string is kept as it is.
   *
   * @param text as it was written
   */
  record Simple(Kind kind, String text) {

    static final Simple TRUE = new Simple(Kind.BOOLEAN, "true");
    static final Simple FALSE = new Simple(Kind.BOOLEAN, "false");
    static final Simple NULL = new Simple(Kind.NULL, "");
  }

  /**
   * A member that was to be marked.
   *
   * @param text what it says; empty for anything but a string
   */
  public record Mark(String name, String text) {}

  /** From so many members on, looking through all of them takes longer than an index. */
  private static final int MANY = 12;

  private static final int LAST_MARK = Integer.SIZE - 1;

  private static final Object[] NONE = {};
  private static final String[] NAMELESS = {};

  private final Kind kind;
  private final String[] names;

  /** Each a node, a string, a {@link Simple} or {@link DeferredNodes}. */
  private final Object[] children;

  /** Which children are marked or hold something that is; see {@link #mark}. */
  private final int marked;

  private final int line;
  private final int column;

  /** The text of a simple value, or the places of an object's members once somebody needed them. */
  private @Nullable Object textOrIndex;

  private DataNode(
      Kind kind,
      @Nullable String text,
      String[] names,
      Object[] children,
      int marked,
      int line,
      int column) {
    this.kind = kind;
    this.textOrIndex = text;
    this.names = names;
    this.children = children;
    this.marked = marked;
    this.line = line;
    this.column = column;
  }

  /**
   * A node for a value that may have none.
   *
   * @param value a node, a string or a {@link Simple}
   */
  static DataNode of(Object value, int line, int column) {
    return switch (value) {
      case DataNode node -> node;
      case Simple simple ->
          new DataNode(simple.kind(), simple.text(), NAMELESS, NONE, 0, line, column);
      default -> new DataNode(Kind.STRING, (String) value, NAMELESS, NONE, 0, line, column);
    };
  }

  static DataNode array(Object[] items, int marked, int line, int column) {
    return new DataNode(Kind.ARRAY, null, NAMELESS, items, marked, line, column);
  }

  /** Of two members with the same name the first one counts. */
  static DataNode object(String[] names, Object[] values, int marked, int line, int column) {
    return new DataNode(Kind.OBJECT, null, names, values, marked, line, column);
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
    return kind == Kind.BOOLEAN && text().equals("true");
  }

  /** Whether a member anywhere in it has one of the names that were to be marked. */
  public boolean isMarked() {
    return marked != 0;
  }

  /** The bit of a child; beyond the first ones all share the last. */
  static int mark(int place) {
    return 1 << Math.min(place, LAST_MARK);
  }

  /**
   * Everything marked in it at any depth, as long as only its simple members were read; null once
   * more of it was.
   */
  public @Nullable List<Mark> marksUnread() {
    for (Object child : children) {
      if (child instanceof DeferredNodes unread) {
        return unread.marks();
      }
    }
    return null;
  }

  /**
   * The place of the next child that is marked or holds something marked, perhaps of one that is
   * not; negative if there is no more.
   */
  public int nextMarked(int from) {
    if (from < LAST_MARK) {
      int rest = (marked & Integer.MAX_VALUE) >>> from;
      if (rest != 0) {
        return from + Integer.numberOfTrailingZeros(rest);
      }
    }
    int place = Math.max(from, LAST_MARK);
    return marked < 0 && place < children.length ? place : -1;
  }

  /** A simple value as it was written; empty for objects and arrays. */
  public String text() {
    return textOrIndex instanceof String text ? text : "";
  }

  /** Members of an object or items of an array. */
  public int size() {
    return children.length;
  }

  private int indexOf(String name) {
    if (names.length > MANY) {
      return index().getOrDefault(name, -1);
    }
    for (int i = 0; i < names.length; i++) {
      if (names[i].equals(name)) {
        return i;
      }
    }
    return -1;
  }

  @SuppressWarnings("unchecked")
  private Map<String, Integer> index() {
    Object known = textOrIndex;
    if (known != null) {
      return (Map<String, Integer>) known;
    }
    Map<String, Integer> made = HashMap.newHashMap(names.length);
    for (int i = 0; i < names.length; i++) {
      made.putIfAbsent(names[i], i);
    }
    textOrIndex = made;
    return made;
  }

  /** The member of this name; null if there is none. */
  public @Nullable DataNode get(String name) {
    int at = indexOf(name);
    return at < 0 ? null : child(at);
  }

  public Optional<DataNode> find(String name) {
    return Optional.ofNullable(get(name));
  }

  public boolean has(String name) {
    return indexOf(name) >= 0;
  }

  /** The text of a simple member; empty if there is none. */
  public String text(String name) {
    int at = indexOf(name);
    return at < 0
        ? ""
        : switch (children[at]) {
          case DataNode node -> "";
          case DeferredNodes container -> "";
          case Simple simple -> simple.text();
          default -> (String) children[at];
        };
  }

  /** The text of a simple member that is there and not null. */
  public Optional<String> findText(String name) {
    int at = indexOf(name);
    return at < 0
        ? Optional.empty()
        : switch (children[at]) {
          case String text -> Optional.of(text);
          case Simple simple ->
              simple == Simple.NULL ? Optional.empty() : Optional.of(simple.text());
          default -> Optional.empty();
        };
  }

  public boolean isTrue(String name) {
    int at = indexOf(name);
    return at >= 0 && children[at] == Simple.TRUE;
  }

  /** The names of an object's members in their order. */
  public List<String> names() {
    return Arrays.asList(names);
  }

  /** The name of the member at a place of an object. */
  public String name(int place) {
    return names[place];
  }

  /** The member or item at a place. */
  public DataNode child(int place) {
    return of(value(place), line, column);
  }

  private Object value(int place) {
    if (children[place] instanceof DeferredNodes unread) {
      Object[] whole = unread.read().children;
      for (int i = 0; i < children.length; i++) {
        if (children[i] == unread) {
          children[i] = i < whole.length ? whole[i] : Simple.NULL;
        }
      }
    }
    return children[place];
  }

  /** The member or item at a place if it is an object or an array; null if it is simple. */
  public @Nullable DataNode container(int place) {
    return value(place) instanceof DataNode node ? node : null;
  }

  /** Every member of an object in its order. */
  public void forEachMember(BiConsumer<String, DataNode> action) {
    for (int i = 0; i < names.length; i++) {
      action.accept(names[i], child(i));
    }
  }

  /** The items of an array, or the values of an object. */
  public List<DataNode> items() {
    return new Children();
  }

  private final class Children extends AbstractList<DataNode> implements RandomAccess {
    @Override
    public DataNode get(int place) {
      return child(place);
    }

    @Override
    public int size() {
      return children.length;
    }
  }

  @Override
  public Iterator<DataNode> iterator() {
    return items().iterator();
  }

  /** The values of a member that is an array; none if there is no such. */
  public List<DataNode> items(String name) {
    int at = indexOf(name);
    return at >= 0 && value(at) instanceof DataNode node && node.isArray()
        ? node.items()
        : List.of();
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
    return JsonPointer.from(this, pointer);
  }
}
