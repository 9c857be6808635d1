package org.mapsel.core.read.odata;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.ref.Place;
import org.mapsel.core.value.Value;

/** What metadata documents declare, with aliases resolved and annotations kept by their target. */
final class Csdl {

  /** An entity or complex type as written. */
  static final class Type {
    final String name;
    final boolean entity;
    Optional<String> base = Optional.empty();
    boolean isAbstract;
    boolean open;
    boolean media;
    final List<String> keys = new ArrayList<>();
    final List<Member> properties = new ArrayList<>();
    final List<Link> navigations = new ArrayList<>();

    Type(String name, boolean entity) {
      this.name = name;
      this.entity = entity;
    }
  }

  /**
   * A property or parameter.
   *
   * @param scale as it is written, a number or a word
   */
  record Member(
      String name,
      String type,
      boolean nullable,
      Optional<Integer> maxLength,
      Optional<String> scale,
      Optional<String> preset) {}

  /**
   * A navigation property; in version 2.0 the type is found through an association.
   *
   * @param type empty where it must be looked up
   */
  record Link(
      String name,
      String type,
      boolean nullable,
      Optional<String> partner,
      boolean contained,
      String association,
      String toRole) {}

  record Enum(String name, List<String> members, boolean flags) {}

  record Definition(String name, String base) {}

  /** One end of an association (CSDL 3.0, section 6). */
  record End(String role, String type, String multiplicity) {}

  record Set(String name, String type, boolean single, String container) {}

  record Operation(
      String name,
      boolean action,
      boolean bound,
      List<Member> parameters,
      Optional<String> returns) {}

  record Import(String name, String of, Optional<String> method) {}

  /** A document that another one refers to, and the namespaces it is wanted for. */
  record Reference(String uri, List<String> namespaces, Place place) {}

  final List<Type> types = new ArrayList<>();
  final List<Enum> enums = new ArrayList<>();
  final List<Definition> definitions = new ArrayList<>();
  final Map<String, List<End>> associations = new HashMap<>();
  final List<Set> sets = new ArrayList<>();
  final List<Operation> operations = new ArrayList<>();
  final List<Import> imports = new ArrayList<>();
  final List<Reference> references = new ArrayList<>();
  final Map<String, Boolean> namespaces = new LinkedHashMap<>();

  /** By target, then by the last word of the term. */
  private final Map<String, Map<String, Value>> annotations = new HashMap<>();

  /** What has members that something is said of. */
  private final java.util.Set<String> annotatedOwners = new HashSet<>();

  String version = "";
  String container = "";

  /** Of two that say the same, the first one counts. */
  void annotate(String target, String term, Value value) {
    String word = term.substring(term.lastIndexOf('.') + 1);
    annotations.computeIfAbsent(target, key -> new LinkedHashMap<>()).putIfAbsent(word, value);
    int slash = target.indexOf('/');
    if (slash >= 0) {
      annotatedOwners.add(target.substring(0, slash));
    }
  }

  /** What is said of something. */
  Annotated at(String target) {
    Map<String, Value> said = annotations.get(target);
    return said == null ? Annotated.NOTHING : new Annotated(said);
  }

  /** Whether something is said of any member of something. */
  boolean hasAnnotatedMembers(String owner) {
    return annotatedOwners.contains(owner);
  }

  /** What is said of a member of something. */
  Annotated at(String owner, String member) {
    return hasAnnotatedMembers(owner) ? at(owner + "/" + member) : Annotated.NOTHING;
  }
}
