package ivesk.core.treatment;

import ivesk.core.treatment.TreatmentEvent.Acting;
import ivesk.core.treatment.TreatmentEvent.AddOnPutOn;
import ivesk.core.treatment.TreatmentEvent.AddOnWipedOff;
import ivesk.core.treatment.TreatmentEvent.Caring;
import ivesk.core.treatment.TreatmentEvent.Ending;
import ivesk.core.treatment.TreatmentEvent.Looking;
import ivesk.core.treatment.TreatmentEvent.Preparing;
import ivesk.core.treatment.TreatmentEvent.ProductApplied;
import ivesk.core.treatment.TreatmentEvent.Recorded;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// What went on calm skin.
///
/// @param addOnAt when the plan's add-on was put on
/// @param addOnOffAt when it was wiped off again
public record CareState(
    List<AfterProduct> products, Optional<Instant> addOnAt, Optional<Instant> addOnOffAt) {

  static final CareState NONE = new CareState(List.of(), Optional.empty(), Optional.empty());

  public CareState {
    products = List.copyOf(products);
  }

  CareState after(TreatmentEvent event) {
    return switch (event.fact()) {
      case Caring fact ->
          switch (fact) {
            case ProductApplied(var product) -> {
              List<AfterProduct> more = new ArrayList<>(products);
              more.add(product);
              yield new CareState(more, addOnAt, addOnOffAt);
            }
            case AddOnPutOn on -> new CareState(products, Optional.of(event.at()), addOnOffAt);
            case AddOnWipedOff off -> new CareState(products, addOnAt, Optional.of(event.at()));
          };
      case Preparing _, Acting _, Looking _, Ending _, Recorded _ -> this;
    };
  }

  /// The add-on is on the skin.
  public boolean addOnOn() {
    return addOnAt.isPresent() && addOnOffAt.isEmpty();
  }
}
