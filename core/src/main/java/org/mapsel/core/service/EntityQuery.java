package org.mapsel.core.service;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * What may be asked of entities: the names of the system query options (OData 4.01 URL conventions,
 * section 5.1), and of the fields by which they are given here.
 */
public final class EntityQuery {

  public static final String FILTER = "$filter";
  public static final String ORDER = "$orderby";
  public static final String TOP = "$top";
  public static final String SKIP = "$skip";
  public static final String SELECT = "$select";
  public static final String EXPAND = "$expand";
  public static final String SEARCH = "$search";
  public static final String COUNT = "$count";

  public static final String FIELD = "field";
  public static final String COMPARISON = "comparison";
  public static final String VALUE = "value";
  public static final String DESCENDING = "descending";

  private EntityQuery() {}

  /** How the value of a field is compared to another. */
  public enum Comparison {
    EQUALS("equals"),
    DIFFERS("differs from"),
    LESS("is less than"),
    AT_MOST("is at most"),
    MORE("is more than"),
    AT_LEAST("is at least"),
    CONTAINS("contains"),
    STARTS("starts with"),
    ENDS("ends with"),
    EMPTY("is empty"),
    GIVEN("is not empty");

    private final String label;

    Comparison(String label) {
      this.label = label;
    }

    /** As people read it. */
    public String label() {
      return label;
    }

    public static List<String> labels() {
      return Arrays.stream(values()).map(Comparison::label).toList();
    }

    public static Optional<Comparison> labelled(String label) {
      return Arrays.stream(values()).filter(one -> one.label.equals(label)).findFirst();
    }
  }
}
