using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Patching;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>
/// A laminate that carries by itself, a thin hull or a shaft, scarfed back and given back ply for ply as thick as it was; round a
/// tube the plies go right round as a sleeve. A hole through a hull gets a backing first, which stays as its inner face.
/// </summary>
internal sealed class ScarfOrSleeve : MendMethod
{
    /// <summary>Share of the wall, in percent, from which on it has to be given back ply for ply. From memory.</summary>
    public const double MostCutPercent = 33;

    public override string Id => "scarf-or-sleeve";

    public override string Name => "Scarf it and laminate";

    public override string Why => "A long taper carries the load round the damage, ply for ply.";

    public override int Skill => 3;

    public override int Tidiness => 4;

    public override IReadOnlyList<string> Schools => ["patch-order"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Crack, DamageKind.Hole];

    public override string Cloth(CaseView view) => IsCarbon(view) ? "carbon-200" : "glass-600";

    public override string Filler(CaseView view) => "fumed-silica";

    public override bool Takes(Material material) => material is { Role: Role.Resin, Chemistry: "epoxy", Cure: CureKind.TwoPart };

    /// <summary>Whether so much of a wall that carries by itself is cut that a light patch over a fill would not carry what it did.</summary>
    internal static bool HasToGiveBack(CaseView view) =>
        view.Reach.BareLaminate is { } wall && (IsCarbon(wall) || 100 * wall.DepthIntoMm / wall.Layer.ThicknessMm > MostCutPercent);

    protected override Message? Unfit(CaseView view) => HasToGiveBack(view) ? null : "It is for a thin laminate that carries by itself, cut by more than a third.";

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var tube = job.View.Location.Has("tube");
        job.Find().Dry();
        if (job.Damage.Kind == DamageKind.Hole && job.View.Reach.BareLaminate!.Through && !tube)
        {
            Backing.Set(job);
        }

        var wall = Wall.Of(job);
        Message round = tube ? ", all the way round" : Message.Empty;
        Message stop = job.Damage.Kind == DamageKind.Crack ? " Stop-drill its ends first." : Message.Empty;
        job.Do("scarf", Stage.Shape, "Grind the scarf", $"From the damage outwards to nothing over {wall.Scarf}{round}, wet or with extraction.{stop}", 15, "All the way: a step in the scarf is where it breaks next.",
            cautions: [DustOf(job.View), "grinder"], draws: ["cut"]);
        var largeFirst = job.View.School("patch-order") == "large-first";
        var (plies, scarf) = (wall.Plies, wall.Scarf);
        var patches = job.Derive(() => PatchStack.Over(job.Hurt.Shape, [.. Enumerable.Repeat(job.Materials.Cloth.Id, (int)plies.N)], scarf.Mm / plies.N, scarf.Mm / plies.N, largeFirst));
        var area = job.Figure("glass.area", "Cloth, all plies", () => Cm2(patches.Value.Sum(patch => patch.AreaCm2)), "Sum of the plies' areas", Source.Arithmetic);
        job.Takes(job.Materials.Cloth, area);
        job.Do("cut-cloth", Stage.Shape, "Cut the plies", tube ? "Long enough to go right round and lap; each ply larger than the last." : "To the template, each ply larger than the last, corners round.", 8, "Cut all cloth before anything is mixed.",
            cautions: [DustOf(job.View)], draws: ["patches-dry"], shows: [plies, wall.GivenBack]);
        job.Clean();
        Laminate(job, area, plies, tube);
        Fair(job);
        job.Prove("tap").Prove(tube ? "flex" : "inside-wet");
        job.Draw(sketch => DrawPlies(sketch, job.HalfMm(), scarf, wall.Cut.Mm, plies.N, tube));
        var beyond = job.Constant("key.beyond", "Work area beyond the scarf", Mm(6), Source.FromMemory("How far it is cleaned past the scarf"));
        return job.End(job.Hurt, job.Hurt.Grown("scarf", "Scarf", scarf).Grown("key", "Work area", beyond), patches);
    }

    private static string DustOf(CaseView view) => IsCarbon(view) ? "carbon-dust" : "glass-dust";

    private static bool IsCarbon(CaseView view) => view.Reach.BareLaminate is { } wall && IsCarbon(wall);

    private static bool IsCarbon(ReachedLayer wall) => wall.Substance.Families.Contains("carbon");

    /// <summary>What is cut from the wall, and what gives it back.</summary>
    private sealed record Wall(Figure<Length> Cut, Figure<Length> Scarf, Figure<Count> Plies, Figure<Length> GivenBack)
    {
        public static Wall Of(Job job)
        {
            var reached = job.View.Reach.BareLaminate!;
            var cut = job.Figures.Fact("item.laminate", $"{reached.Layer.Name}: cut", Mm(reached.DepthIntoMm), Source.OfEntry(job.View.Construction.Source));
            // Common practice: 8 to 12 to 1 in a hull, more in thin-skinned structure.
            var taper = job.Constant("scarf.taper", "Taper", ToOne(IsCarbon(reached) ? 20 : 12), Source.CommonPractice, (4, 60));
            var scarf = job.Figure("scarf.width", "Scarf", () => Mm(Feather.WidthMm(cut.Mm, taper.ToOne)), "Thickness that is cut × taper, more for thin-skinned structure than a hull's", Source.CommonPractice, 1);
            var ply = job.LabelOf(job.Materials.Cloth).Ply;
            var plies = job.Figure("laminate.plies", "Plies", () => Count(Math.Max(2, Math.Ceiling(Math.Round(cut.Mm / ply.Mm, 6)))), "Thickness that is cut ÷ thickness of a ply, rounded up", Source.Arithmetic, between: (1, 40));
            var givenBack = job.Figure("laminate.given-back", "Thickness given back", () => Mm(plies.N * ply.Mm), "Plies × thickness of a ply: as much as was cut, or more", Source.Arithmetic, 2);
            return new Wall(cut, scarf, plies, givenBack);
        }
    }

    private static void Fair(Job job)
    {
        Message face = job.View.Outer.Families.Contains("gel-coat")
            ? "two-part paint where the gel coat is gone: gel coat does not set on epoxy"
            : (Message)"a coat of resin or varnish where fibre shows";
        var (coarse, fine) = (job.Grit("fair.coarse", "Fair it with", "P120"), job.Grit("fair.fine", "Then with", "P240"));
        job.Do("fair", Stage.Finish, "Fair it, wet", $"Wash it with water and a pad first, then {coarse} and {fine}, wet; {face}.", 12, "Not one fibre bare: it cuts hands and soaks up water.",
            job.Loadable(job.Label, "glass-mix"), [DustOf(job.View), "resin-dust"], ["finish"]);
    }

    private static void Laminate(Job job, Figure<Area> area, Figure<Count> plies, bool tube)
    {
        var need = job.WettingOut("glass", area);
        var work = job.LayingTime("glass", 8 + plies.N, area);
        job.Mix(new MixOrder("glass", "Mix the resin", "to wet scarf and plies", need, work, null, false));
        job.Do("laminate", Stage.Apply, tube ? "Lay the plies round, wrap with release tape" : "Lay the plies, film and pad over", tube ? "Wet the shaft, lay ply for ply, wrap release tape over it tight from the middle outwards." : "Wet the scarf, ply for ply, draw through, release film, a soft pad.", Math.Ceiling(work.WallMin),
            "Turn the fibre of each ply as the old one ran.", job.Sandable(job.Label, "glass-mix"), draws: [.. Enumerable.Range(1, (int)plies.N).Select(ply => $"patch-{ply}"), "sleeve"], follows: true);
    }

    private static void DrawPlies(Sketch sketch, double half, Figure<Length> scarf, double wall, double plies, bool tube)
    {
        sketch.Section("cut", MarkKind.Cut, true, $"scarf {scarf}", (-half - scarf.Mm, 0), (-half, wall), (half, wall), (half + scarf.Mm, 0));
        for (var ply = 1; ply <= (int)plies; ply++)
        {
            var (reach, y) = (half + (scarf.Mm * ply / plies), wall * (1 - (ply / plies)));
            sketch.Section("sleeve", tube ? MarkKind.Wrap : MarkKind.Patch, false, null, (-reach, y), (reach, y));
        }
    }
}
