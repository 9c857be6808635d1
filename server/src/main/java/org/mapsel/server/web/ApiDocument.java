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
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.value.Value;
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
    SpringDocUtils.getConfig().replaceWithSchema(Value.class, anyJson());
    SpringDocUtils.getConfig().replaceWithSchema(FieldPath.class, path());
    for (Class<?> id : CoreJson.IDS.keySet()) {
      SpringDocUtils.getConfig().replaceWithSchema(id, text());
    }
  }

  private static Schema text() {
    return simple("string");
  }

  private static Schema simple(String type) {
    Schema schema = new Schema<>();
    schema.setTypes(new LinkedHashSet<>(List.of(type)));
    return schema;
  }

  /** A path: names and objects that pick or cut. */
  private static Schema path() {
    Schema steps = new Schema<>();
    Schema other = new Schema<>();
    other.setTypes(new LinkedHashSet<>(List.of("object")));
    other.addProperty("key", text());
    other.addProperty("is", text());
    other.addProperty("at", simple("integer"));
    other.addProperty("cut", text());
    other.addProperty("every", simple("boolean"));
    steps.setOneOf(List.of(text(), other));
    Schema schema = new Schema<>();
    schema.setTypes(new LinkedHashSet<>(List.of("array")));
    schema.setItems(steps);
    return schema;
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
        Class<?> raw = Json31.mapper().constructType(type.getType()).getRawClass();
        remember(raw);
        if (CoreJson.hasKinds(raw)) {
          // The library finds the alternatives of a type by annotations, which the core has none
          // of.
          CoreJson.kinds(raw)
              .values()
              .forEach(kind -> context.resolve(new AnnotatedType(kind).resolveAsRef(true)));
        }
        return chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
      }
    };
  }

  private void remember(Class<?> type) {
    if (type.isRecord() || type.isSealed()) {
      put(type);
      kinds(type).values().forEach(this::put);
    }
  }

  /** The alternatives of a type that is told apart by kind, by what that says; else none. */
  private static Map<String, Class<?>> kinds(Class<?> type) {
    if (CoreJson.hasKinds(type)) {
      return CoreJson.kinds(type);
    }
    Map<String, Class<?>> kinds = new LinkedHashMap<>();
    JsonSubTypes annotated = type.getAnnotation(JsonSubTypes.class);
    if (annotated != null) {
      Arrays.stream(annotated.value()).forEach(kind -> kinds.put(kind.name(), kind.value()));
    }
    return kinds;
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
            Map<String, Class<?>> kinds = kinds(type);
            if (!kinds.isEmpty() && schemas.containsKey(name)) {
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

  private static Schema<?> alternatives(Map<String, Class<?>> kinds, Map<String, Schema> schemas) {
    Schema<?> either = new Schema<>();
    kinds.forEach(
        (kind, type) -> {
          String name = type.getSimpleName();
          Schema<?> alternative = schemas.get(name);
          Schema<String> constant = new Schema<String>().type("string");
          constant.setTypes(Set.of("string"));
          constant.addEnumItemObject(kind);
          alternative.addProperty("kind", constant);
          alternative.addRequiredItem("kind");
          either.addOneOfItem(new Schema<>().$ref("#/components/schemas/" + name));
        });
    return either;
  }
}
