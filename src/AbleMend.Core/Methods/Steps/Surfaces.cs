using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Steps on surfaces that most families share: find, dry, open, scuff, trace and mask, clean.</summary>
internal static class Surfaces
{
    /// <summary>Identifier of the step that looks for every leak or flaw.</summary>
    public const string FindStep = "find";

    /// <summary>Identifier of the step that lets the air out.</summary>
    public const string DeflateStep = "deflate";

    private static readonly HashSet<DamageKind> Spots = [DamageKind.SoftSpot, DamageKind.Crack, DamageKind.Splinter];

    /// <summary>Finds every leak or flaw, where the damage is of a kind that hides. The item is looked over once: it is told for all its damages.</summary>
    public static Job Find(this Job job)
    {
        if (job.View.Usual?.Leaks != true)
        {
            return job;
        }

        var all = job.View.LookedFor;
        return job.Do(FindStep, Stage.Prepare, all.Any(each => each.Damage.Located == false) ? "Find it, all of them" : "Look for more of them", HowToFind(job, all), 10,
            all.All(each => Spots.Contains(each.Damage.Kind))
                ? "One spot does not rule out another: go on to the end, and record each one."
                : "One leak does not rule out another: go on to the end, and record each one.");
    }

    private static Message HowToFind(Job job, IReadOnlyList<(Damage Damage, Substance Outer)> all)
    {
        if (job.View.Construction.PressureKpa is not null && all.Any(each => each.Damage.Kind == DamageKind.SeamOpen))
        {
            return "Nobody inflates an open seam. Hold it shut by hand, blow in only as much air as the rest needs to stand, and brush soapy water over the other seams, the valve and the faces: each can have gone with it.";
        }

        var tests = job.View.Catalogue.LookTests.Where(test => all.Any(each => test.Finds(each.Damage.Kind, each.Outer))).ToList();
        return tests.Count == 0
            ? "Look over the whole item, face by face, and mark each spot that you find."
            : Message.Joined([.. tests.Select(test => (Message)$"{test.Name}. {test.How}")], (before, next) => $"{before} Or: {next}");
    }

    /// <summary>Lets the air out, where it holds any: a patch glued to an inflated skin warps it or blows off.</summary>
    public static Job Deflate(this Job job) =>
        job.View.Construction.PressureKpa is null
            ? job
            : job.Do(DeflateStep, Stage.Prepare, "Let all the air out, lay it flat",
                "Open the valve, press the air out, lay the place flat on a board with no fold under it.", 4,
                "Deflate to patch, inflate to find and to prove: a patch on an inflated skin warps it or blows off.");

    /// <summary>Scuffs inside an outline with a grit.</summary>
    /// <param name="job">The job.</param>
    /// <param name="wanted">Grit that this face wants.</param>
    /// <param name="what">What is scuffed.</param>
    /// <param name="minutes">Minutes by hand.</param>
    /// <param name="cautions">Cautions.</param>
    public static Job Scuff(this Job job, string wanted, Message what, double minutes = 5, IReadOnlyList<string>? cautions = null)
    {
        var grit = new PlannedGrit(job, "scuff.grit", "Grit to scuff", wanted, $"{wanted:as-is} for this face; the nearest grit in the drawer");
        return job.Do("scuff", Stage.Prepare, $"Scuff {what} with {grit}",
            $"{grit} where it is to hold and nowhere else, until no shine is left. Brush it off.", minutes,
            "Scuff right up to the edge: the rim is what lifts.", cautions: cautions, draws: ["key"]);
    }

    /// <summary>Traces round the patch and masks outside the line.</summary>
    public static Job TraceAndMask(this Job job, Message? what = null)
    {
        Message it = what ?? "the patch";
        return job.Do("mask", Stage.Prepare, $"Trace {it}, tape outside the line",
            $"Lay {it} dry where it goes, trace round it with a soft pencil, tape close outside the line.", 4,
            "Mark which way it lies: two strokes across its edge and the item, and it finds its place again.", draws: ["tape"]);
    }

    /// <summary>What is worked on round the damage.</summary>
    /// <param name="job">The job.</param>
    /// <param name="mm">How far past it.</param>
    public static Field Around(this Job job, double mm) =>
        job.Hurt.Grown("key", "Work area", job.Constant("key.beyond", "Work area beyond the damage", Mm(mm), Source.FromMemory("How far it is worked on round the damage")));

    /// <summary>Outer diameter of the tube that is hurt.</summary>
    public static Figure<Length> Tube(this Job job) => job.Figures.Fact("item.tube", "Tube", Mm(2 * (job.View.Construction.RadiusMm ?? 5)), Source.OfEntry(job.View.Construction.Source));

    /// <summary>Thin adhesive for a length that drinks it.</summary>
    /// <param name="job">The job.</param>
    /// <param name="name">What drinks.</param>
    /// <param name="milligrams">Milligrams for each millimetre.</param>
    /// <param name="leastG">Grams that are laid out at least.</param>
    public static Figure<Mass> Wick(this Job job, Message name, double milligrams, double leastG)
    {
        var drinks = job.Constant("wick.drinks", $"{name}, over {Mm(100)}", Grams(milligrams / 10), Source.FromMemory("What a seam or a splinter soaks up"));
        return job.Figure("wick.need", "Adhesive", () => Grams(Math.Max(leastG, job.Hurt.Length.Mm / 100 * drinks.G)), "Length × what it soaks up", Source.Arithmetic, 1);
    }

    /// <summary>Half the length of the damage in the section, in millimetres.</summary>
    public static double HalfMm(this Job job) => job.Hurt.Length.Mm / 2;
}
