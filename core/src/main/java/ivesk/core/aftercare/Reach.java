package ivesk.core.aftercare;

import ivesk.core.Language;
import ivesk.core.aftercare.Told.Part;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// How a client reaches the practice, and help: it stands on every page that a client is given.
///
/// @param telephone of the practice
/// @param hours in which somebody answers it, as the practice says it
/// @param emergency the number to call in an emergency
public record Reach(
    Optional<String> telephone, Optional<String> hours, Optional<String> emergency) {
  public static final Reach UNSAID =
      new Reach(Optional.empty(), Optional.empty(), Optional.empty());

  public List<Told> lines() {
    return Stream.of(practice(), help()).flatMap(Optional::stream).toList();
  }

  public Optional<Told> practice() {
    return telephone.map(number ->
        hours
            .map(when ->
                Told.of(Sentence.PRACTICE_NUMBER_HOURS, new Part.Name(number), new Part.Name(when)))
            .orElseGet(() -> Told.of(Sentence.PRACTICE_NUMBER, new Part.Name(number))));
  }

  public Optional<Told> help() {
    return emergency.map(number -> Told.of(Sentence.EMERGENCY_NUMBER, new Part.Name(number)));
  }

  /// Both as one line; empty where nothing was set.
  public String in(Language language) {
    return lines().stream().map(line -> line.in(language)).collect(Collectors.joining(" "));
  }
}
