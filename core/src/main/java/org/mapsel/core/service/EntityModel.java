package org.mapsel.core.service;

import java.util.HashMap;
import java.util.LinkedList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.mapsel.core.shape.Hints;

/**
 * What a service has entities of (OData Common Schema Definition Language 4.01; version 2.0 and 3.0
 * read into the same terms). Types are written as there: a qualified name without aliases, perhaps
 * in {@code Collection(…)}.
 */
public final class EntityModel {

  private final List<StructuredType> entityTypes;
  private final List<StructuredType> complexTypes;
  private final List<EnumType> enumTypes;
  private final List<TypeDefinition> typeDefinitions;
  private final List<EntitySet> sets;
  private final List<Callable> callables;
  private final List<CallableImport> imports;
  private final Map<String, StructuredType> entitiesByName;

  public EntityModel(
      List<StructuredType> entityTypes,
      List<StructuredType> complexTypes,
      List<EnumType> enumTypes,
      List<TypeDefinition> typeDefinitions,
      List<EntitySet> sets,
      List<Callable> callables,
      List<CallableImport> imports) {
    this.entityTypes = List.copyOf(entityTypes);
    this.complexTypes = List.copyOf(complexTypes);
    this.enumTypes = List.copyOf(enumTypes);
    this.typeDefinitions = List.copyOf(typeDefinitions);
    this.sets = List.copyOf(sets);
    this.callables = List.copyOf(callables);
    this.imports = List.copyOf(imports);
    this.entitiesByName = HashMap.newHashMap(entityTypes.size());
    entityTypes.forEach(type -> entitiesByName.putIfAbsent(type.name(), type));
  }

  public List<StructuredType> entityTypes() {
    return entityTypes;
  }

  public List<StructuredType> complexTypes() {
    return complexTypes;
  }

  public List<EnumType> enumTypes() {
    return enumTypes;
  }

  public List<TypeDefinition> typeDefinitions() {
    return typeDefinitions;
  }

  public List<EntitySet> sets() {
    return sets;
  }

  public List<Callable> callables() {
    return callables;
  }

  public List<CallableImport> imports() {
    return imports;
  }

  /**
   * An entity or complex type (section 6 and 9).
   *
   * @param keys its own key properties; those of the base are keys too
   * @param columns the properties that lists show unless somebody chooses others
   * @param title the property that names an entity for people
   */
  public record StructuredType(
      String name,
      Optional<String> base,
      boolean isAbstract,
      boolean open,
      boolean media,
      List<String> keys,
      List<Property> properties,
      List<Navigation> navigations,
      String documentation,
      List<String> columns,
      Optional<String> title) {

    public StructuredType {
      keys = List.copyOf(keys);
      properties = List.copyOf(properties);
      navigations = List.copyOf(navigations);
      columns = List.copyOf(columns);
    }
  }

  /**
   * A value of a structured type (section 7).
   *
   * @param scale how many digits a decimal number has at most behind its point; none if any number
   */
  public record Property(
      String name,
      String type,
      boolean nullable,
      Optional<Integer> maxLength,
      Optional<Integer> scale,
      Optional<String> preset,
      Optional<String> minimum,
      Optional<String> maximum,
      Optional<String> pattern,
      List<String> allowed,
      String documentation,
      Hints hints) {

    public Property {
      allowed = List.copyOf(allowed);
    }
  }

  /** A way to other entities (section 8). */
  public record Navigation(
      String name, String type, boolean nullable, Optional<String> partner, boolean contained) {}

  /** Named values (section 10). */
  public record EnumType(String name, List<String> members, boolean flags) {

    public EnumType {
      members = List.copyOf(members);
    }
  }

  /** A primitive type under a name of its own (section 11). */
  public record TypeDefinition(String name, String base) {}

  /**
   * Entities that can be addressed (section 13.2 and 13.3).
   *
   * @param single whether it is just one entity
   */
  public record EntitySet(
      String name, String type, boolean single, String documentation, Capabilities can) {}

  /** What may be done with a set (Capabilities vocabulary). */
  public record Capabilities(
      boolean list,
      boolean create,
      boolean change,
      boolean delete,
      boolean filter,
      boolean sort,
      boolean search,
      boolean count,
      boolean top,
      boolean skip,
      boolean expand,
      List<String> notFiltered,
      List<String> notSorted) {

    public static final Capabilities ALL =
        new Capabilities(
            true, true, true, true, true, true, true, true, true, true, true, List.of(), List.of());

    public Capabilities {
      notFiltered = List.copyOf(notFiltered);
      notSorted = List.copyOf(notSorted);
    }
  }

  /** A function or an action (section 12). */
  public record Callable(
      String name,
      boolean action,
      boolean bound,
      List<CallableParameter> parameters,
      Optional<String> returns,
      String documentation) {

    public Callable {
      parameters = List.copyOf(parameters);
    }
  }

  /** A parameter of a function or an action. */
  public record CallableParameter(String name, String type, boolean nullable) {}

  /**
   * A function or action that is called by itself (section 13.5 and 13.6); those of version 2.0
   * have a method and parameters of their own.
   *
   * @param of the callable it stands for
   */
  public record CallableImport(String name, String of, Optional<String> method) {}

  /** What stands between the brackets of a collection; the type itself if it is none. */
  public static String itemType(String type) {
    return isCollection(type) ? type.substring("Collection(".length(), type.length() - 1) : type;
  }

  public static boolean isCollection(String type) {
    return type.startsWith("Collection(") && type.endsWith(")");
  }

  public Optional<StructuredType> findEntityType(String name) {
    return Optional.ofNullable(entitiesByName.get(name));
  }

  /** A type and its bases, the outermost base first. */
  public List<StructuredType> line(String name) {
    return line(name, this::findEntityType);
  }

  /** Like the other, with the types looked up in a way of one's own. */
  public static List<StructuredType> line(
      String name, Function<String, Optional<StructuredType>> types) {
    LinkedList<StructuredType> line = new LinkedList<>();
    Optional<StructuredType> here = types.apply(name);
    while (here.isPresent() && !line.contains(here.get())) {
      line.addFirst(here.get());
      here = here.get().base().flatMap(types);
    }
    return line;
  }
}
