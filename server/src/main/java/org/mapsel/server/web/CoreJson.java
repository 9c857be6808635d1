package org.mapsel.server.web;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.Nulls;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.json.PathJson;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.ListId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;
import org.mapsel.core.ref.TypeId;
import org.mapsel.core.value.Value;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.cfg.MapperConfig;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.introspect.Annotated;
import tools.jackson.databind.introspect.AnnotatedClass;
import tools.jackson.databind.introspect.AnnotatedMember;
import tools.jackson.databind.introspect.JacksonAnnotationIntrospector;
import tools.jackson.databind.jsontype.NamedType;
import tools.jackson.databind.module.SimpleModule;

/**
 * What types of the core are in the JSON of the API, which they themselves do not know: ids are
 * texts, paths arrays of steps, and sealed types are told apart by {@code kind}.
 */
@Configuration
class CoreJson {

  /** Every kind of id, with what makes one of a text. */
  static final Map<Class<?>, Function<String, ?>> IDS =
      Map.of(
          PageId.class, PageId::new,
          PartId.class, PartId::new,
          CallId.class, CallId::new,
          ReactionId.class, ReactionId::new,
          TypeId.class, TypeId::new,
          ListId.class, ListId::new,
          OperationId.class, OperationId::new,
          EndpointId.class, EndpointId::new);

  @Bean
  JsonMapperBuilderCustomizer typesOfTheCore() {
    return builder -> builder.addModule(module()).annotationIntrospector(new Kinds());
  }

  private static SimpleModule module() {
    SimpleModule module = new SimpleModule("core");
    IDS.forEach((type, maker) -> id(module, type, maker));
    module.addSerializer(
        FieldPath.class,
        writer(FieldPath.class, (path, out) -> out.writeTree(PathJson.write(path))));
    module.addDeserializer(
        String.class,
        new ValueDeserializer<String>() {
          @Override
          public String deserialize(JsonParser in, DeserializationContext context) {
            String text = StringDeserializer.instance.deserialize(in, context);
            return text == null || isKeepable(text)
                ? text
                : (String)
                    context.handleWeirdStringValue(
                        String.class, text, "characters that no text has");
          }
        });
    module.addDeserializer(
        FieldPath.class,
        new ValueDeserializer<FieldPath>() {
          @Override
          public FieldPath deserialize(JsonParser in, DeserializationContext context) {
            return PathJson.read(in.readValueAsTree())
                .orElseGet(
                    () ->
                        (FieldPath)
                            context.handleUnexpectedToken(
                                context.constructType(FieldPath.class), in));
          }
        });
    module.addSerializer(
        Value.class,
        writer(Value.class, (value, out) -> out.writeTree(ValueJson.writeForDoubles(value))));
    return module;
  }

  /** What PostgreSQL keeps in JSON: no NUL, and surrogates only in pairs. */
  private static boolean isKeepable(String text) {
    return text.indexOf('\0') < 0 && StandardCharsets.UTF_8.newEncoder().canEncode(text);
  }

  private static <T> void id(SimpleModule module, Class<T> type, Function<String, ?> maker) {
    module.addSerializer(type, writer(type, (id, out) -> out.writeString(id.toString())));
    module.addDeserializer(
        type,
        new ValueDeserializer<T>() {
          @Override
          public T deserialize(JsonParser in, DeserializationContext context) {
            String text = in.getString();
            return text == null || text.isBlank()
                ? type.cast(context.handleUnexpectedToken(context.constructType(type), in))
                : type.cast(maker.apply(text));
          }
        });
  }

  private interface Writing<T> {
    void write(T value, JsonGenerator out);
  }

  private static <T> ValueSerializer<T> writer(Class<T> type, Writing<T> writing) {
    return new ValueSerializer<>() {
      @Override
      public Class<T> handledType() {
        return type;
      }

      @Override
      public void serialize(T value, JsonGenerator out, SerializationContext context) {
        writing.write(value, out);
      }
    };
  }

  /** Whether values of a type are told apart by their kind. */
  static boolean hasKinds(Class<?> type) {
    return type.isInterface()
        && type.isSealed()
        && type.getName().startsWith("org.mapsel.core.")
        && type != Value.class;
  }

  /** The records that a sealed type is one of, by the name of their kind. */
  static Map<String, Class<?>> kinds(Class<?> type) {
    Map<String, Class<?>> kinds = new LinkedHashMap<>();
    for (Class<?> permitted : type.getPermittedSubclasses()) {
      if (hasKinds(permitted)) {
        kinds.putAll(kinds(permitted));
      } else {
        kinds.put(kind(permitted), permitted);
      }
    }
    return kinds;
  }

  /** {@code FormView} is of the kind {@code form}. */
  private static String kind(Class<?> type) {
    String name = type.getSimpleName().replaceFirst("View$", "");
    return name.substring(0, 1).toLowerCase(Locale.ROOT) + name.substring(1);
  }

  private static final class Kinds extends JacksonAnnotationIntrospector {
    private static final long serialVersionUID = 1L;

    @Override
    public JsonTypeInfo.@Nullable Value findPolymorphicTypeInfo(
        MapperConfig<?> config, Annotated annotated) {
      return annotated instanceof AnnotatedClass && around(annotated.getRawType()).isPresent()
          ? JsonTypeInfo.Value.construct(
              JsonTypeInfo.Id.NAME, JsonTypeInfo.As.PROPERTY, "kind", null, false, null, null)
          : super.findPolymorphicTypeInfo(config, annotated);
    }

    @Override
    public @Nullable List<NamedType> findSubtypes(MapperConfig<?> config, Annotated annotated) {
      return hasKinds(annotated.getRawType())
          ? kinds(annotated.getRawType()).entrySet().stream()
              .map(kind -> new NamedType(kind.getValue(), kind.getKey()))
              .toList()
          : super.findSubtypes(config, annotated);
    }

    @Override
    public @Nullable String findTypeName(MapperConfig<?> config, AnnotatedClass annotated) {
      return around(annotated.getRawType()).isPresent() && annotated.getRawType().isRecord()
          ? kind(annotated.getRawType())
          : super.findTypeName(config, annotated);
    }

    /** What a record of the core is made of must all be there, but for what is optional. */
    @Override
    public @Nullable Boolean hasRequiredMarker(MapperConfig<?> config, AnnotatedMember member) {
      return isNeeded(member) ? Boolean.TRUE : super.hasRequiredMarker(config, member);
    }

    @Override
    public JsonSetter.Value findSetterInfo(MapperConfig<?> config, Annotated annotated) {
      return annotated instanceof AnnotatedMember member && isNeeded(member)
          ? JsonSetter.Value.forValueNulls(Nulls.FAIL)
          : super.findSetterInfo(config, annotated);
    }

    private static boolean isNeeded(AnnotatedMember member) {
      return member.getDeclaringClass().isRecord()
          && member.getDeclaringClass().getName().startsWith("org.mapsel.core.")
          && member.getRawType() != Optional.class;
    }

    /** The sealed type that a type is, or is one kind of. */
    private static Optional<Class<?>> around(Class<?> type) {
      if (hasKinds(type)) {
        return Optional.of(type);
      }
      for (Class<?> around : type.getInterfaces()) {
        if (hasKinds(around)) {
          return Optional.of(around);
        }
      }
      return Optional.empty();
    }
  }
}
