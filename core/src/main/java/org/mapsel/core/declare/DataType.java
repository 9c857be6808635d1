package org.mapsel.core.declare;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.ref.Place;
import org.mapsel.core.shape.Demand;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.ScalarType;

/**
 * A type of data as it was written, in descriptions that think in named members rather than in
 * elements: JSON Schema, CSDL, samples.
 *
 * @param name what people call it, where the description gives it a name or title
 * @param nullable whether null may stand in its place
 * @param preset what holds where nothing is given
 * @param fixed the only value there is
 */
public record DataType(
    Form form,
    String name,
    boolean nullable,
    Optional<String> preset,
    Optional<String> fixed,
    String documentation,
    Hints hints,
    XmlForm xml,
    Place place) {

  /** A type with nothing more to say of it. */
  public static DataType of(Form form, Place place) {
    return new DataType(
        form, "", false, Optional.empty(), Optional.empty(), "", Hints.NONE, XmlForm.NONE, place);
  }

  public DataType withForm(Form other) {
    return new DataType(other, name, nullable, preset, fixed, documentation, hints, xml, place);
  }

  /** The same, which holds one value and no other. */
  public DataType fixedTo(String value) {
    return new DataType(
        form, name, nullable, preset, Optional.of(value), documentation, hints, xml, place);
  }

  public DataType withHints(Hints other) {
    return new DataType(form, name, nullable, preset, fixed, documentation, other, xml, place);
  }

  public DataType withNullable(boolean other) {
    return new DataType(form, name, other, preset, fixed, documentation, hints, xml, place);
  }

  /** What a type is made of. */
  public sealed interface Form {}

  /** Another declared type; whether it exists is for linking to find out. */
  public record Ref(String target) implements Form {}

  /** One simple value; {@code builtIn} is the format's own name of its type. */
  public record Simple(ScalarType type, String builtIn, Facets facets) implements Form {}

  /**
   * Named members.
   *
   * @param bases types whose members it has too, before its own
   * @param required the members that must be there, its own or those of a base
   * @param variants each of several types whose members may stand besides
   * @param others what members without a declared name hold; none where there are no such
   * @param demand which of the members that are not required must be there all the same
   */
  public record Structure(
      List<DataType> bases,
      List<Member> members,
      Set<String> required,
      Optional<Variants> variants,
      Optional<DataType> others,
      Optional<Demand> demand)
      implements Form {

    public Structure(
        List<DataType> bases,
        List<Member> members,
        Set<String> required,
        Optional<Variants> variants,
        Optional<DataType> others) {
      this(bases, members, required, variants, others, Optional.empty());
    }

    public Structure {
      bases = List.copyOf(bases);
      members = List.copyOf(members);
      required = Set.copyOf(required);
    }
  }

  /** A list. */
  public record ListOf(DataType item, Occurrence occurrence) implements Form {}

  /**
   * One of several types.
   *
   * @param discriminator the member that tells which
   * @param derived whether they are derived from the structure that they stand in; what has it as
   *     its base is then one of them, and has no such choice itself
   */
  public record Variants(List<Variant> variants, Optional<String> discriminator, boolean derived)
      implements Form {

    public Variants {
      variants = List.copyOf(variants);
    }

    public Variants(List<Variant> variants, Optional<String> discriminator) {
      this(variants, discriminator, false);
    }
  }

  /**
   * One of several types.
   *
   * @param value what the discriminator says for it
   */
  public record Variant(String name, DataType type, Optional<String> value) {}

  /**
   * Any value at all.
   *
   * @param object whether it has members of some kind
   */
  public record Anything(boolean object) implements Form {

    /** Of which nothing is known. */
    public Anything() {
      this(false);
    }
  }

  /** A named member of a structure. */
  public record Member(String name, DataType type) {}

  /**
   * How it stands in XML (OpenAPI 3.2, XML Object).
   *
   * @param wrapped whether a list has an element around its items
   * @param text whether it is the text of the element around it
   */
  public record XmlForm(
      Optional<String> name, String namespace, boolean attribute, boolean wrapped, boolean text) {

    public static final XmlForm NONE = new XmlForm(Optional.empty(), "", false, false, false);
  }
}
