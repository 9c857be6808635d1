package org.mapsel.server.web;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json31;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.JsonNode;

/**
 * The OpenAPI document of our own API, exact enough to make types of: what may be missing is
 * optional, all else is required, and sealed types are alternatives told apart by {@code kind}.
 */
@Configuration
@SuppressWarnings({"rawtypes", "unchecked"}) // The library's own model is written with raw types.
class ApiDocument {

  /** The record and interface types met so far, by the name of their schema. */
  private final Map<String, Class<?>> types = new LinkedHashMap<>();

  ApiDocument() {
    SpringDocUtils.getConfig().replaceWithSchema(JsonNode.class, anyJson());
  }

  private static Schema anyJson() {
    Schema schema = new Schema<>();
    schema.setTypes(
        new LinkedHashSet<>(List.of("object", "array", "string", "number", "boolean", "null")));
    return schema;
  }

  @Bean
  OpenAPI api() {
    return new OpenAPI()
        .info(new Info().title("Mapsel").version("1"))
        .servers(List.of(new Server().url("/")));
  }

  @Bean
  ModelConverter typesRemembered() {
    return new ModelConverter() {
      @Override
      public @Nullable Schema<?> resolve(
          AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
        remember(Json31.mapper().constructType(type.getType()).getRawClass());
        return chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
      }
    };
  }

  private void remember(Class<?> type) {
    if (type.isRecord() || type.isSealed()) {
      put(type);
      JsonSubTypes kinds = type.getAnnotation(JsonSubTypes.class);
      if (kinds != null) {
        Arrays.stream(kinds.value()).forEach(kind -> put(kind.value()));
      }
    }
  }

  private void put(Class<?> type) {
    Class<?> known = types.put(type.getSimpleName(), type);
    if (known != null && known != type) {
      throw new IllegalStateException(
          known.getName() + " and " + type.getName() + " would share a schema; rename one.");
    }
  }

  @Bean
  OpenApiCustomizer exactSchemas() {
    return document -> {
      Map<String, Schema> schemas = document.getComponents().getSchemas();
      types.forEach(
          (name, type) -> {
            Schema<?> schema = schemas.get(name);
            if (schema != null && type.isRecord()) {
              schemas.put(name, exact(schema, type));
            }
          });
      types.forEach(
          (name, type) -> {
            JsonSubTypes kinds = type.getAnnotation(JsonSubTypes.class);
            if (kinds != null && schemas.containsKey(name)) {
              schemas.put(name, alternatives(kinds, schemas));
            }
          });
    };
  }

  /** The record's own properties, each required unless it may be missing. */
  private static Schema<?> exact(Schema<?> schema, Class<?> type) {
    Schema<?> own = new Schema<>().type("object");
    own.setTypes(Set.of("object"));
    List<Schema> parts = schema.getAllOf() == null ? List.of(schema) : schema.getAllOf();
    for (Schema<?> part : parts) {
      if (part.getProperties() != null) {
        part.getProperties().forEach(own::addProperty);
      }
    }
    List<String> required = new ArrayList<>();
    for (RecordComponent component : type.getRecordComponents()) {
      boolean mayBeMissing =
          component.getType() == Optional.class
              || component.getAnnotatedType().isAnnotationPresent(Nullable.class);
      if (!mayBeMissing) {
        required.add(component.getName());
      }
    }
    own.setRequired(required);
    return own;
  }

  private static Schema<?> alternatives(JsonSubTypes kinds, Map<String, Schema> schemas) {
    Schema<?> either = new Schema<>();
    for (JsonSubTypes.Type kind : kinds.value()) {
      String name = kind.value().getSimpleName();
      Schema<?> alternative = schemas.get(name);
      Schema<String> constant = new Schema<String>().type("string");
      constant.setTypes(Set.of("string"));
      constant.addEnumItemObject(kind.name());
      alternative.addProperty("kind", constant);
      alternative.addRequiredItem("kind");
      either.addOneOfItem(new Schema<>().$ref("#/components/schemas/" + name));
    }
    return either;
  }
}
