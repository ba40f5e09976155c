using AbleMend.Core.Methods;
using AbleMend.Core.Quantities;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Plans;

/// <summary>What comes before the item is turned to a step.</summary>
/// <param name="Before">Identifier of the last step on the side that was up.</param>
/// <param name="Firm">When what that step put on no longer runs; null where it is waited for to its end.</param>
/// <param name="After">Identifier of the first step on the side that is turned up.</param>
internal sealed record Turning(string Before, Firm? Firm, string After);

/// <summary>
/// One side of an item is up at a time: what was put on it is left to get firm before it is turned, or it runs, sticks to the stands and
/// prints. While one side sets for hours the other is worked. Common practice, no source.
/// </summary>
internal static class OneSideUp
{
    /// <summary>Minutes by hand to turn an item and bed it again. From memory.</summary>
    private const double TurnMin = 2;

    /// <summary>Minutes of a label from which on the other side is worked meanwhile; what sets sooner is waited for. From memory.</summary>
    private static readonly CureTime WorthTurning = CureMin(120);

    /// <summary>Work on one side that nothing interrupts for long, of the damages on it.</summary>
    private sealed record Spell(Part Part, IReadOnlyList<PlanStep> Steps)
    {
        public string First => Numbering.Of(Part.Look.View.Number, Steps[0].Id);

        public PlanStep Last => Steps[^1];
    }

    /// <summary>The turnings of an item: spell by spell, the sides in the order of their damages.</summary>
    /// <param name="parts">The damages in order.</param>
    public static IReadOnlyList<Turning> Of(IReadOnlyList<Part> parts)
    {
        if (parts.Count < 2 || Sides(parts).Select(side => side.Select(Spells).ToList()).ToList() is not { Count: > 1 } sides)
        {
            return [];
        }

        var most = sides.Max(side => side.Max(spells => spells.Count));
        var rounds = Enumerable.Range(0, most).SelectMany(round => sides.Select(side => side.Select(spells => spells.ElementAtOrDefault(round)).OfType<Spell>().ToList())).Where(round => round.Count > 0).ToList();
        return [.. rounds.Zip(rounds.Skip(1)).SelectMany(pair => pair.First.SelectMany(done => pair.Second.Where(next => SideOf(next.Part) != SideOf(done.Part)).Select(next => Between(done, next))))];
    }

    /// <summary>The damages that can be worked at the same time as one.</summary>
    /// <param name="one">The damage.</param>
    /// <param name="others">Other damages.</param>
    public static IEnumerable<Part> UpWith(Part one, IEnumerable<Part> others)
    {
        var up = one.Look.View.Location.Side;
        foreach (var other in others)
        {
            var side = other.Look.View.Location.Side;
            if (side is null || up is null || side == up)
            {
                up ??= side;
                yield return other;
            }
        }
    }

    /// <summary>A step with which a side is turned up: the turning told and reckoned.</summary>
    /// <param name="part">The damage that it is of.</param>
    /// <param name="step">The step.</param>
    public static PlanStep Turned(Part part, PlanStep step)
    {
        var side = part.Look.View.Construction.Locations.First(place => place.Id == SideOf(part)).Name;
        return step with
        {
            Instruction = ((Message)$"Turn it over, {side:inside} up. {step.Instruction}").Told(),
            Timing = step.Timing with { HandsOnMin = step.Timing.HandsOnMin + TurnMin },
        };
    }

    private static Turning Between(Spell done, Spell next)
    {
        var before = Numbering.Of(done.Part.Look.View.Number, done.Last.Id);
        return new Turning(before, FirmAfter(done) is { } firm ? new Firm(before, firm) : null, next.First);
    }

    /// <summary>
    /// When what a spell put on last no longer runs: at once where nothing was; else what its label says of the next coat, where that is
    /// sooner than what is waited for. Null where it is waited for to its end.
    /// </summary>
    private static CureTime? FirmAfter(Spell spell) =>
        spell.Last.Timing.Wait is not { } wait ? null
            : !MayRun(spell.Last) ? CureMin(0)
            // What light sets is firm when its light has fallen, and no sooner.
            : wait is { Material: { } material, Kind: not WaitKind.Light } && spell.Part.Look.View.Catalogue.Materials[material].Label?.RecoatOpensMin is { } firm && firm < wait.OpensMin.CureMin ? CureMin(firm)
            : null;

    /// <summary>Whether what a step waits for is something wet that was put on.</summary>
    private static bool MayRun(PlanStep step) =>
        step.Timing.Wait?.Kind switch
        {
            null or WaitKind.Dry or WaitKind.Pressure => false,
            // Strong enough for the load, of what was put on in an earlier step and has set since.
            WaitKind.Loadable => step.Stage == Stage.Apply,
            _ => true,
        };

    private static string SideOf(Part part) => part.Look.View.Location.Side!;

    private static List<IGrouping<string, Part>> Sides(IReadOnlyList<Part> parts) => [.. parts.Where(part => part.Look.View.Location.Side is not null).GroupBy(SideOf)];

    /// <summary>The work at a damage, cut where it has to lie for hours anyway.</summary>
    private static IReadOnlyList<Spell> Spells(Part part)
    {
        var work = part.Composed.Composition.Steps.Where(step => step.Stage != Stage.Prove && !DoneOnce.IsOfTheWholeItem(step)).ToList();
        var (spells, from) = (new List<Spell>(), 0);
        for (var i = 0; i < work.Count; i++)
        {
            if (i == work.Count - 1 || (MayRun(work[i]) && work[i].Timing.Wait is { ClosesMin: null } wait && wait.OpensMin.CureMin > WorthTurning.CureMin))
            {
                spells.Add(new Spell(part, work[from..(i + 1)]));
                from = i + 1;
            }
        }

        return spells;
    }
}
