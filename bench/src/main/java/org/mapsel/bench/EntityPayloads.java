package org.mapsel.bench;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import javax.xml.stream.XMLStreamException;
import org.apache.olingo.commons.api.edm.EdmEntityType;
import org.apache.olingo.commons.api.edm.FullQualifiedName;
import org.apache.olingo.commons.api.format.ContentType;
import org.apache.olingo.server.api.OData;
import org.apache.olingo.server.api.ServiceMetadata;
import org.apache.olingo.server.api.deserializer.DeserializerException;
import org.apache.olingo.server.api.deserializer.ODataDeserializer;
import org.apache.olingo.server.core.MetadataParser;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.message.Response;
import org.mapsel.core.service.OperationWire;

/**
 * Reads entities by the types that a metadata document declares, with a reader that is not ours.
 */
final class EntityPayloads {

  private final ServiceMetadata metadata;

  private EntityPayloads(ServiceMetadata metadata) {
    this.metadata = metadata;
  }

  /**
   * The types of a metadata document of version 4.
   *
   * @throws XMLStreamException if it is none that is understood
   */
  static EntityPayloads of(SourceText source) throws XMLStreamException {
    return new EntityPayloads(
        new MetadataParser()
            .referenceResolver((address, base) -> null)
            .buildServiceMetadata(
                new InputStreamReader(
                    new ByteArrayInputStream(source.bytes()), StandardCharsets.UTF_8)));
  }

  /** Whether an answer was read; false if it holds no entities. */
  boolean read(OperationWire.Entities wire, Response response)
      throws DeserializerException, IOException {
    Optional<EdmEntityType> type =
        wire.old() || wire.type().isEmpty() || response.body().length == 0
            ? Optional.empty()
            : Optional.ofNullable(
                metadata.getEdm().getEntityType(new FullQualifiedName(wire.type())));
    if (type.isEmpty()) {
      return false;
    }
    ODataDeserializer reader =
        OData.newInstance().createDeserializer(ContentType.JSON, metadata, List.of("4.0"));
    try (ByteArrayInputStream body = new ByteArrayInputStream(response.body())) {
      switch (wire.result()) {
        case ROWS -> reader.entityCollection(body, type.get());
        case ONE -> reader.entity(body, type.get());
        default -> {
          return false;
        }
      }
    }
    return true;
  }
}
