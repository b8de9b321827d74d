package ivesk.server.app;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.Nulls;
import ivesk.core.treatment.fact.TreatmentEvent;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.DeserializationFeature;

/// How core's records go over the wire; core itself knows no JSON.
@Configuration(proxyBeanMethods = false)
class JsonConfiguration {

  /// A fact names its kind by its simple class name.
  @JsonTypeInfo(use = JsonTypeInfo.Id.SIMPLE_NAME, property = "type")
  interface ByTypeName {}

  @Bean
  JsonMapperBuilderCustomizer wire() {
    return builder -> {
      Quantities.into(builder::addMixIn);
      builder
          .addModule(new NearDates())
          .addModule(new WholeLetters())
          .addMixIn(TreatmentEvent.Fact.class, ByTypeName.class)
          // An empty Optional is left out, as the description says.
          .changeDefaultPropertyInclusion(
              all -> all.withValueInclusion(JsonInclude.Include.NON_ABSENT))
          // What is not Optional must be there, in lists and maps too.
          .changeDefaultNullHandling(nulls -> nulls.withContentNulls(Nulls.FAIL))
          .enable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES)
          .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES);
    };
  }
}
