package ivesk.server.screening;

import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.verdict.Screening;
import ivesk.server.client.Client;
import ivesk.server.skin.Consult;
import ivesk.server.visit.VisitStore.Visit;

/// A visit with what screening read of it, each fact once, and what came of it.
public record Screened(
    Visit visit, Client client, Consult consult, ScreeningFacts facts, Screening outcome) {}
