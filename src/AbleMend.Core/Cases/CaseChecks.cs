using System.Runtime.CompilerServices;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Finishing;
using AbleMend.Core.Gear;
using AbleMend.Core.Limits;
using AbleMend.Core.Materials;
using AbleMend.Core.Patching;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Cases;

/// <summary>Finds everything wrong with a case, each with its field and the remedy. Nothing is clamped or guessed.</summary>
public static class CaseChecks
{
    /// <summary>Depth in millimetres past which the number itself is wrong, and not the place.</summary>
    private const double DeepestMm = 1000;

    /// <summary>Corners of all traced outlines of a case together: hands trace a damage with a few dozen.</summary>
    private const int MostTracedPoints = 1200;

    /// <summary>Spots beside all damages of a case together.</summary>
    private const int MostNeighbours = 60;

    /// <summary>How often the traced outlines of a case may turn round, every tooth counted: a jagged tear of thirty teeth turns some twenty times.</summary>
    private const double MostTurns = 60;

    /// <summary>Half the sheet that outlines are traced on, in millimetres.</summary>
    private const double SheetMm = 600;

    /// <summary>Checks a case against a catalogue.</summary>
    /// <returns>All problems; empty when the case can be planned.</returns>
    public static IReadOnlyList<Problem> Check(RepairCase repairCase, MendCatalogue catalogue, IReadOnlyList<string> methods)
    {
        var checks = new Checks(LimitTable.Check(repairCase));
        checks.Demand(repairCase.Format == RepairCase.CurrentFormat, "unknown-format", "format",
            $"'{repairCase.Format:as-is}' is not a format that is known.", $"Write {RepairCase.CurrentFormat:as-is}.");
        CheckItem(checks, repairCase.Item, catalogue);
        foreach (var (damage, i) in repairCase.Damages.Take(12).Select((damage, i) => (damage, i)))
        {
            CheckDamage(checks, damage.Seen, $"damages[{i}].seen", repairCase.Item, catalogue);
            CheckChoice(checks, damage.Choice ?? new Choice(), $"damages[{i}].choice", catalogue, methods);
        }

        CheckTraces(checks, repairCase.Damages);
        CheckBench(checks, repairCase.Bench);
        CheckWanted(checks, repairCase.Wanted);
        CheckTools(checks, repairCase.Tools);
        CheckShelf(checks, repairCase.Shelf ?? [], catalogue);
        CheckOffcuts(checks, repairCase.Offcuts ?? [], catalogue);
        CheckPaces(checks, repairCase.Paces ?? [], catalogue);
        return checks.Problems;
    }

    private static void CheckPaces(Checks checks, IReadOnlyList<LearntPace> paces, MendCatalogue catalogue)
    {
        checks.Demand(paces.DistinctBy(pace => pace.Material).Count() == paces.Count, "twice", "paces", "Two paces are of the same material.", "Keep the newer.");
        foreach (var (pace, i) in paces.Take(200).Select((pace, i) => (pace, i)))
        {
            checks.Known(catalogue.Materials.TryGetValue(pace.Material, out var material) && material.Holds, $"paces[{i}].material", pace.Material,
                catalogue.MaterialList.Where(material => material.Holds).Select(material => material.Id));
        }
    }

    /// <summary>Checks a shop as the part of every case that it becomes.</summary>
    /// <returns>All problems; empty when cases can start from it.</returns>
    public static IReadOnlyList<Problem> CheckShop(ShopFacts shop, MendCatalogue catalogue)
    {
        var checks = new Checks(LimitTable.Check(shop));
        CheckBench(checks, shop.Bench);
        CheckTools(checks, shop.Tools);
        CheckShelf(checks, shop.Shelf ?? [], catalogue);
        CheckOffcuts(checks, shop.Offcuts ?? [], catalogue);
        return checks.Problems;
    }

    private static void CheckShelf(Checks checks, IReadOnlyList<OnShelf> shelf, MendCatalogue catalogue)
    {
        foreach (var (entry, i) in shelf.Select((entry, i) => (entry, i)))
        {
            checks.Known(catalogue.Materials.ContainsKey(entry.Material), $"shelf[{i}].material", entry.Material, catalogue.Materials.Keys);
        }
    }

    private static void CheckOffcuts(Checks checks, IReadOnlyList<Offcut> offcuts, MendCatalogue catalogue)
    {
        checks.Demand(offcuts.DistinctBy(piece => piece.Id).Count() == offcuts.Count, "twice", "offcuts", "Two offcuts have the same name.", "Write a different name on each.");
        foreach (var (piece, i) in offcuts.Take(200).Select((piece, i) => (piece, i)))
        {
            checks.Known(catalogue.Materials.GetValueOrDefault(piece.Material)?.Role is Role.Cloth or Role.PatchStock, $"offcuts[{i}].material", piece.Material,
                catalogue.MaterialList.Where(material => material.Role is Role.Cloth or Role.PatchStock).Select(material => material.Id));
        }
    }

    private static void CheckItem(Checks checks, ItemFacts item, MendCatalogue catalogue)
    {
        checks.Known(catalogue.Constructions.ContainsKey(item.Construction), "item.construction", item.Construction, catalogue.Constructions.Keys);
        checks.Known(item.EarlierMend is null or "epoxy" or "polyester", "item.earlierMend", item.EarlierMend ?? "", ["epoxy", "polyester"]);
    }

    private static void CheckDamage(Checks checks, Damage damage, string at, ItemFacts item, MendCatalogue catalogue)
    {
        CheckShape(checks, damage.Shape, $"{at}.shape");
        foreach (var (neighbour, i) in (damage.Neighbours ?? []).Take(20).Select((neighbour, i) => (neighbour, i)))
        {
            CheckShape(checks, neighbour.Shape, $"{at}.neighbours[{i}].shape");
            checks.Sheet(neighbour.OffsetMm.X, $"{at}.neighbours[{i}].offsetMm.x");
            checks.Sheet(neighbour.OffsetMm.Y, $"{at}.neighbours[{i}].offsetMm.y");
        }

        foreach (var (find, i) in (damage.Finds ?? []).Take(40).Select((find, i) => (find, i)))
        {
            checks.Known(catalogue.LookTests.Any(test => test.Id == find.Test), $"{at}.finds[{i}].test", find.Test, catalogue.LookTests.Select(test => test.Id));
        }

        if (!catalogue.Constructions.TryGetValue(item.Construction, out var construction))
        {
            return;
        }

        var location = construction.Locations.FirstOrDefault(each => each.Id == damage.Location);
        checks.Known(location is not null, $"{at}.location", damage.Location, construction.Locations.Select(each => each.Id));
        if (location is not null)
        {
            CheckAtLocation(checks, damage, at, construction, location);
        }
    }

    private static void CheckAtLocation(Checks checks, Damage damage, string at, Construction construction, Location location)
    {
        var thickness = construction.ThicknessMmAt(location);
        if (damage.DepthMm > thickness + CaseView.RightThroughWithinMm && damage.DepthMm <= DeepestMm)
        {
            checks.Demand(false, "deeper-than-item", $"{at}.depthMm",
                $"{Mm(damage.DepthMm):0.00} is deeper than the item: it is {Mm(thickness):0.00} thick at the {location.Name:inside}.",
                $"Measure the depth again; give at most {Mm(thickness):0.00}.");
        }

        checks.Demand(!damage.OnMate || construction.Pair, "no-pair", $"{at}.onMate", $"{construction.Name} is not one of a pair.", "Say that it is on this one.");
        // A kind that this construction is not known to have is no slip: triage says who has to look at it.
        if (construction.Damages.Any(usual => usual.Kind == damage.Kind))
        {
            CheckKind(checks, damage, at, location);
        }
    }

    private static void CheckKind(Checks checks, Damage damage, string at, Location location)
    {
        checks.Demand(damage.Kind != DamageKind.FinBoxSurround || location.FinBox, "no-fin-box", $"{at}.location",
            "There is no fin box at this place.", "Choose the fin box, or another kind of damage.");
        checks.Demand(damage.Kind != DamageKind.FinBoxSurround || damage.Fin is not null, "fin-not-checked", $"{at}.fin",
            "The fin has not been rocked and compared with its twin.", "Set a fin, rock it, and give its cant and that of its twin.");
        checks.Demand(damage.Kind != DamageKind.Crack || damage.Shape is CrackShape or TracedShape, "shape-does-not-fit", $"{at}.shape",
            "A crack is given by length and width, or traced.", "Use the shape 'crack' or 'traced'.");
    }

    private static void CheckShape(Checks checks, Shape shape, string field)
    {
        if (shape is TracedShape traced)
        {
            checks.Demand(traced.Points.Count is >= 3 and <= 400 && traced.Points.All(point => Math.Abs(point.X) <= SheetMm && Math.Abs(point.Y) <= SheetMm)
                && Outline.IsSound(traced.Points), "bad-outline", $"{field}.points",
                "The traced outline crosses itself, encloses nothing, or leaves the sheet.", $"Trace it again with 3 to 400 points, once round, no further than {Mm(SheetMm)} from the middle.");
        }
    }

    /// <summary>Every patch is grown from these outlines: more corners and teeth than any hand traces only cost time.</summary>
    private static void CheckTraces(Checks checks, IReadOnlyList<DamageToMend> damages)
    {
        var traces = damages.Take(12).SelectMany(damage => (damage.Seen.Neighbours ?? []).Take(20).Select(neighbour => neighbour.Shape).Prepend(damage.Seen.Shape)).OfType<TracedShape>().Select(trace => trace.Points).ToList();
        var points = traces.Sum(trace => trace.Count);
        checks.Demand(damages.Take(12).Sum(damage => damage.Seen.Neighbours?.Count ?? 0) <= MostNeighbours, "too-many-neighbours", "damages", "These are more spots beside the damages than anybody measures one by one.", $"Give at most {MostNeighbours} together; trace round those that lie close.");
        checks.Demand(points <= MostTracedPoints, "too-many-points", "damages", "The traced outlines have more corners than a hand traces.", $"Trace them with at most {MostTracedPoints} corners together.");
        checks.Demand(points > MostTracedPoints || traces.Sum(Outline.Turns) <= MostTurns + traces.Count, "too-jagged", "damages", "The traced outlines are more jagged than a tear.", "Trace round the teeth: what is cut away is round.");
    }

    private static void CheckBench(Checks checks, BenchFacts bench)
    {
        checks.Demand(TimeZoneInfo.TryFindSystemTimeZoneById(bench.Zone, out _), "unknown-zone", "bench.zone",
            $"'{bench.Zone:as-is}' is not a time zone that is known.", "Use an IANA name, such as Etc/UTC.");
        checks.Demand((bench.LatitudeDeg is null) == (bench.LongitudeDeg is null), "half-a-place", "bench.longitudeDeg",
            "Latitude and longitude only work together.", "Give both, or neither.");
        checks.Demand(bench.OpensHour < bench.ClosesHour, "hours-reversed", "bench.closesHour", "The shop closes before it opens.", "Give a later closing hour.");
    }

    private static void CheckWanted(Checks checks, Wanted wanted)
    {
        CheckGrit(checks, wanted.FinishGrit, "wanted.finishGrit");
        checks.Demand(wanted.StartAt is not null, "no-start", "wanted.startAt", "The case does not say when work begins.", "Give an instant in UTC.");
    }

    private static void CheckTools(Checks checks, Tools tools)
    {
        foreach (var (grit, i) in tools.Grits.Take(60).Select((grit, i) => (grit, i)))
        {
            CheckGrit(checks, grit, $"tools.grits[{i}]");
        }

        checks.Add(tools.Measure.Fault("tools.measure"));
        checks.Add(tools.Dropper?.Fault("tools.dropper"));
    }

    private static void CheckGrit(Checks checks, string grit, string field) =>
        checks.Demand(Grit.TryParse(grit) is not null, "unknown-grit", field, $"'{grit:as-is}' is not a grit that is known.", "Write P220 for a P grade, or 220 CAMI for an American one.");

    private static void CheckChoice(Checks checks, Choice choice, string at, MendCatalogue catalogue, IReadOnlyList<string> methods)
    {
        checks.Known(choice.Method is null || methods.Contains(choice.Method), $"{at}.method", choice.Method ?? "", methods);
        checks.Known(choice.Material is null || (catalogue.Materials.TryGetValue(choice.Material, out var main) && main.Holds), $"{at}.material", choice.Material ?? "",
            catalogue.MaterialList.Where(material => material.Holds).Select(material => material.Id));
        KnownMaterial(checks, catalogue, choice.Patch, Role.PatchStock, $"{at}.patch");
        KnownMaterial(checks, catalogue, choice.Cloth, Role.Cloth, $"{at}.cloth");
        KnownMaterial(checks, catalogue, choice.Filler, Role.Filler, $"{at}.filler");
        foreach (var (id, option) in choice.Schools ?? NoSchools)
        {
            var school = catalogue.Schools.GetValueOrDefault(id);
            checks.Known(school is not null, $"{at}.schools", id, catalogue.Schools.Keys);
            checks.Known(school?.Options.Any(each => each.Id == option) != false, $"{at}.schools.{id}", option, school?.Options.Select(each => each.Id) ?? []);
        }
    }

    private static readonly Dictionary<string, string> NoSchools = [];

    private static void KnownMaterial(Checks checks, MendCatalogue catalogue, string? id, Role role, string field) =>
        checks.Known(id is null || (catalogue.Materials.TryGetValue(id, out var material) && material.Role == role), field, id ?? "",
            catalogue.MaterialList.Where(material => material.Role == role).Select(material => material.Id));

    /// <summary>Collects problems.</summary>
    private sealed class Checks(IReadOnlyList<Problem> first)
    {
        private readonly List<Problem> _problems = [.. first];

        public IReadOnlyList<Problem> Problems => _problems;

        public void Demand(
            bool holds, string code, string field,
            [InterpolatedStringHandlerArgument(nameof(holds))] Message message, [InterpolatedStringHandlerArgument(nameof(holds))] Message remedy)
        {
            if (!holds)
            {
                _problems.Add(new Problem(code, field, message, remedy));
            }
        }

        public void Add(Problem? problem)
        {
            if (problem is not null)
            {
                _problems.Add(problem);
            }
        }

        public void Known(bool known, string field, string id, IEnumerable<string> ids)
        {
            if (!known)
            {
                _problems.Add(new Problem("unknown-id", field, $"'{id:as-is}' is not known.", Remedy(id, [.. ids.Order()])));
            }
        }

        private static Message Remedy(string id, IReadOnlyList<string> ids) =>
            Nearest.To(id, ids) is { } meant
                ? (Message)$"Did you mean '{meant:as-is}'? Use one of: {string.Join(", ", ids):as-is}."
                : (Message)$"Use one of: {string.Join(", ", ids):as-is}.";

        public void Sheet(double value, string field) => Add(OutOfRange.Of(value, -SheetMm, SheetMm, field, "mm"));
    }
}
