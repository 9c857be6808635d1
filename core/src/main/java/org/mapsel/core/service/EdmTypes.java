package org.mapsel.core.service;

import java.util.Map;
import java.util.Optional;
import org.mapsel.core.shape.ScalarType;

/** The primitive types (OData CSDL 4.01, section 3.3; CSDL 3.0, section 2.1). */
public final class EdmTypes {

  private static final Map<String, ScalarType> TYPES =
      Map.ofEntries(
          Map.entry("Edm.String", ScalarType.TEXT),
          Map.entry("Edm.Guid", ScalarType.TEXT),
          Map.entry("Edm.Boolean", ScalarType.BOOLEAN),
          Map.entry("Edm.Byte", ScalarType.INTEGER),
          Map.entry("Edm.SByte", ScalarType.INTEGER),
          Map.entry("Edm.Int16", ScalarType.INTEGER),
          Map.entry("Edm.Int32", ScalarType.INTEGER),
          Map.entry("Edm.Int64", ScalarType.INTEGER),
          Map.entry("Edm.Decimal", ScalarType.DECIMAL),
          Map.entry("Edm.Single", ScalarType.FLOAT),
          Map.entry("Edm.Double", ScalarType.FLOAT),
          Map.entry("Edm.Date", ScalarType.DATE),
          Map.entry("Edm.TimeOfDay", ScalarType.TIME),
          Map.entry("Edm.DateTimeOffset", ScalarType.DATE_TIME),
          Map.entry("Edm.DateTime", ScalarType.DATE_TIME),
          Map.entry("Edm.Duration", ScalarType.DURATION),
          Map.entry("Edm.Time", ScalarType.DURATION),
          Map.entry("Edm.Binary", ScalarType.BASE64),
          Map.entry("Edm.Stream", ScalarType.URI),
          Map.entry("Edm.EntityType", ScalarType.TEXT));

  private EdmTypes() {}

  /** The simple type of this name; none for places on earth and anything that has no one form. */
  public static Optional<ScalarType> find(String name) {
    return Optional.ofNullable(TYPES.get(name));
  }
}
