package ivesk.core.aftercare;

import static ivesk.core.aftercare.Sentence.*;

import ivesk.core.aftercare.Aftercare.Client;
import ivesk.core.aftercare.Aftercare.Peeled;
import ivesk.core.aftercare.Aftercare.Worn;
import ivesk.core.practice.Policies;
import java.util.List;
import java.util.Optional;

/// Makes the sheet of a visit.
public final class Sheet {
  private Sheet() {}

  /// @param peels at least one
  /// @param worn what went on after the acid
  /// @param outlook what else clients ask about
  public static Aftercare of(
      List<Peeled> peels, Client client, Optional<Worn> worn, Outlook outlook, Policies policies) {
    Draft draft = new Draft(peels, client, worn, policies);
    draft.write();
    return new Aftercare(
        draft.day,
        draft.days(),
        List.copyOf(draft.rules),
        new Answers(draft, outlook).all(),
        draft.flakes,
        draft.blandUntil());
  }
}
