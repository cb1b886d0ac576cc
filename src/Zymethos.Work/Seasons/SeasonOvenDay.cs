using System.Collections.Immutable;
using NodaTime;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Seasons;
using Zymethos.Work.OvenDays;

namespace Zymethos.Work.Seasons;

/// <summary>A session of a season as a day to plan, from which the Oven Day goes on.</summary>
public static class SeasonOvenDay
{
    /// <summary>The day of a session; null when nothing of the plan falls in it.</summary>
    /// <param name="view">The season.</param>
    /// <param name="session">Index of the session.</param>
    public static (OvenDayDocument Document, LocalDate Date)? Of(SeasonView view, int session)
    {
        if (view.Plan is not { } plan)
            return null;
        List<SeasonPlace> here = [.. plan.Placed.Where(p => p.Session == session).Select(p => new SeasonPlace(p.Lot, p.Stretch, session))];
        if (here.Count == 0 || view.Wish.Sessions[session].IsOddMoment)
            return null;
        var span = view.Wish.Sessions[session];
        var bakes = SessionDay.Bakes(view.Wish, plan.Lots, session, here, _ => null);
        var kitchen = SessionDay.Kitchen(view.Wish, span);
        var document = new OvenDayDocument(
            DocumentWriter.Write(kitchen),
            new DayDocument(
                span.From.ToString("uuuu-MM-dd", null),
                span.From.ToString("HH:mm", null),
                span.Until.Date == span.From.Date ? span.Until.ToString("HH:mm", null) : SeasonWriter.At(span.Until)
            ),
            [
                .. bakes.Select(b => new BakeDocument(
                    DocumentWriter.Write(b.Wish.Recipe),
                    Batches: b.Wish.Batches,
                    ReadyBy: b.Wish.ReadyBy is { } by && by < span.Until ? by.ToString("HH:mm", null) : null
                )),
            ]
        );
        return (Ordered(document, view.Wish, session, bakes), span.From.Date);
    }

    /// <summary>The day with the season's order of what is free of an allergen, as far as a day can carry it.</summary>
    private static OvenDayDocument Ordered(OvenDayDocument document, SeasonWish wish, int session, ImmutableArray<SessionDay.Bake> bakes)
    {
        if (wish.ClearOf is null || SessionDay.Compile(wish with { ClearOf = null }, session, bakes) is not { } network)
            return document;
        PairDocument[] orders =
        [
            .. SessionDay
                .Clear(wish, network, bakes)
                .Select(p => new PairDocument(network.Tasks[p.First].Id.Value, network.Tasks[p.Second].Id.Value))
                .Distinct(),
        ];
        return orders.Length is 0 or > ClearFirst.MostPairs ? document : document with { ByHand = new HandWishesDocument(After: orders) };
    }
}
