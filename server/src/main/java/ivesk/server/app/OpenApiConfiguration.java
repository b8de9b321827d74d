package ivesk.server.app;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.ComposedSchema;
import io.swagger.v3.oas.models.media.Discriminator;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import java.lang.reflect.RecordComponent;
import java.time.Duration;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.providers.ObjectMapperProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/// Describes records and sealed types as they are: every component but Optional and @Nullable is
/// required, a sealed type is one of its permitted types told apart by "type".
@Configuration(proxyBeanMethods = false)
class OpenApiConfiguration {

  @Bean
  OpenAPI description() {
    return new OpenAPI().info(new Info().title("Ivesk").version("1"));
  }

  @Bean
  ModelConverter recordsAndSealedTypes(ObjectMapperProvider mappers) {
    Quantities.into(mappers.jsonMapper()::addMixIn);
    return new RecordsAndSealedTypes();
  }

  private static final class RecordsAndSealedTypes implements ModelConverter {
    @Override
    public @Nullable Schema<?> resolve(
        AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
      JavaType java = Json.mapper().constructType(type.getType());
      Class<?> raw = java == null ? Object.class : java.getRawClass();
      if (raw == Duration.class) return new StringSchema().format("duration");
      if (raw.isInterface() && raw.isSealed()) return oneOf(raw, context);
      Schema<?> schema = chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
      if (schema != null && raw.isRecord()) require(raw, schema, context);
      return schema;
    }

    private static Schema<?> oneOf(Class<?> sealed, ModelConverterContext context) {
      ComposedSchema union = new ComposedSchema();
      Discriminator discriminator = new Discriminator().propertyName("type");
      for (Class<?> kind : kinds(sealed).toList()) {
        context.resolve(new AnnotatedType(kind).resolveAsRef(true));
        Schema<?> own = context.getDefinedModels().get(kind.getSimpleName());
        if (own == null) {
          own = new Schema<>().type("object").name(kind.getSimpleName());
          context.defineModel(kind.getSimpleName(), own);
        }
        own.addType("object");
        own.addProperty("type", new StringSchema()._enum(List.of(kind.getSimpleName())));
        if (own.getRequired() == null || !own.getRequired().contains("type")) {
          own.addRequiredItem("type");
        }
        String ref = "#/components/schemas/" + kind.getSimpleName();
        union.addOneOfItem(new Schema<>().$ref(ref));
        discriminator.mapping(kind.getSimpleName(), ref);
      }
      union.setDiscriminator(discriminator);
      context.defineModel(sealed.getSimpleName(), union);
      return new Schema<>().$ref("#/components/schemas/" + sealed.getSimpleName());
    }

    /// Kinds that stand in groups are told apart all the same.
    private static Stream<Class<?>> kinds(Class<?> sealed) {
      return Arrays.stream(sealed.getPermittedSubclasses())
          .flatMap(kind -> kind.isSealed() ? kinds(kind) : Stream.of(kind));
    }

    private static void require(Class<?> raw, Schema<?> schema, ModelConverterContext context) {
      Schema<?> model =
          schema.get$ref() == null
              ? schema
              : context
                  .getDefinedModels()
                  .get(schema.get$ref().substring(schema.get$ref().lastIndexOf('/') + 1));
      if (model == null || model.getProperties() == null) return;
      Arrays.stream(raw.getRecordComponents())
          .filter(OpenApiConfiguration.RecordsAndSealedTypes::alwaysThere)
          .map(Quantities::nameOf)
          .filter(name -> model.getProperties().containsKey(name))
          .filter(name -> model.getRequired() == null || !model.getRequired().contains(name))
          .forEach(model::addRequiredItem);
    }

    private static boolean alwaysThere(RecordComponent component) {
      return component.getType() != Optional.class
          && !component.getAnnotatedType().isAnnotationPresent(Nullable.class);
    }
  }
}
