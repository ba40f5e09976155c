using AbleMend.Core.Catalogue;
using AbleMend.Core.Finishing;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Mixing;
using AbleMend.Core.Patching;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Plans;

/// <summary>Finds everything wrong with a case, each with its field and the remedy. Nothing is clamped or guessed.</summary>
public static class CaseChecks
{
    /// <summary>Checks a case against a catalogue.</summary>
    /// <returns>All problems; empty when the case can be planned.</returns>
    public static IReadOnlyList<Problem> Check(RepairCase repairCase, MendCatalogue catalogue, IReadOnlyList<IMendMethod> methods)
    {
        var checks = new Checks();
        checks.Demand(repairCase.Format == RepairCase.CurrentFormat, "unknown-format", "format",
            $"'{repairCase.Format:as-is}' is not a format that is known.", $"Write {RepairCase.CurrentFormat:as-is}.");
        CheckItem(checks, repairCase.Item, catalogue);
        CheckDamage(checks, repairCase, catalogue);
        CheckBench(checks, repairCase.Bench);
        CheckWanted(checks, repairCase.Wanted);
        CheckTools(checks, repairCase.Tools);
        CheckChoice(checks, repairCase, catalogue, methods);
        CheckOffcuts(checks, repairCase.Offcuts ?? [], catalogue);
        return checks.Problems;
    }

    private static void CheckOffcuts(Checks checks, IReadOnlyList<Offcut> offcuts, MendCatalogue catalogue)
    {
        checks.Demand(offcuts.Count <= 200, "too-many", "offcuts", "More than 200 offcuts.", "Throw the smallest away.");
        checks.Demand(offcuts.DistinctBy(piece => piece.Id).Count() == offcuts.Count, "twice", "offcuts", "Two offcuts have the same name.", "Write a different name on each.");
        foreach (var (piece, i) in offcuts.Take(200).Select((piece, i) => (piece, i)))
        {
            checks.Demand(piece.Id is { Length: >= 1 and <= 40 }, "bad-id", $"offcuts[{i}].id", "The name is empty or longer than 40 characters.", "Write a short name on it.");
            checks.Known(catalogue.Materials.GetValueOrDefault(piece.Material)?.Role is Role.Cloth or Role.PatchStock, $"offcuts[{i}].material", piece.Material,
                catalogue.MaterialList.Where(material => material.Role is Role.Cloth or Role.PatchStock).Select(material => material.Id));
            checks.Range(piece.LengthMm, 10, 50_000, $"offcuts[{i}].lengthMm", "mm");
            checks.Range(piece.WidthMm, 10, 5_000, $"offcuts[{i}].widthMm", "mm");
        }
    }

    private static void CheckItem(Checks checks, ItemFacts item, MendCatalogue catalogue)
    {
        checks.Demand(!string.IsNullOrWhiteSpace(item.Tag) && item.Tag.Length <= 40, "bad-tag", "item.tag",
            "The tag is empty or longer than 40 characters.", "Give the item a short tag, such as BRD-07.");
        checks.Known(catalogue.Constructions.ContainsKey(item.Construction), "item.construction", item.Construction, catalogue.Constructions.Keys);
        checks.Range(item.AgeMonths, 0, 600, "item.ageMonths", "months");
        checks.Known(item.EarlierMend is null or "epoxy" or "polyester", "item.earlierMend", item.EarlierMend ?? "", ["epoxy", "polyester"]);
    }

    private static void CheckDamage(Checks checks, RepairCase repairCase, MendCatalogue catalogue)
    {
        var damage = repairCase.Damage;
        CheckShape(checks, damage.Shape, "damage.shape");
        checks.Demand(damage.Neighbours is null or { Count: <= 20 }, "too-many", "damage.neighbours", "More than 20 neighbours.", "Trace them as one outline.");
        foreach (var (neighbour, i) in (damage.Neighbours ?? []).Take(20).Select((neighbour, i) => (neighbour, i)))
        {
            CheckShape(checks, neighbour.Shape, $"damage.neighbours[{i}].shape");
            checks.Range(neighbour.OffsetMm.X, -600, 600, $"damage.neighbours[{i}].offsetMm.x", "mm");
            checks.Range(neighbour.OffsetMm.Y, -600, 600, $"damage.neighbours[{i}].offsetMm.y", "mm");
        }

        checks.Range(damage.GapMm, 0.1, 100, "damage.gapMm", "mm");
        checks.Range(damage.MissingMm, 0.1, 100, "damage.missingMm", "mm");
        checks.Range(damage.Plies, 1, 12, "damage.plies", "");
        checks.Demand(damage.Finds is null or { Count: <= 40 }, "too-many", "damage.finds", "More than 40 finds.", "Keep the ones that are mended now.");
        foreach (var (find, i) in (damage.Finds ?? []).Take(40).Select((find, i) => (find, i)))
        {
            checks.Known(catalogue.LookTests.Any(test => test.Id == find.Test), $"damage.finds[{i}].test", find.Test, catalogue.LookTests.Select(test => test.Id));
            checks.Demand(find.Place is { Length: >= 1 and <= 120 }, "bad-place", $"damage.finds[{i}].place", "The place is empty or longer than 120 characters.", "Say where in a few words.");
        }

        if (damage.Fin is { } fin)
        {
            checks.Range(fin.CantDeg, -30, 30, "damage.fin.cantDeg", "°");
            checks.Range(fin.TwinCantDeg, -30, 30, "damage.fin.twinCantDeg", "°");
        }

        if (!catalogue.Constructions.TryGetValue(repairCase.Item.Construction, out var construction))
        {
            checks.Range(damage.DepthMm, 0.01, 1000, "damage.depthMm", "mm");
            return;
        }

        var location = construction.Locations.FirstOrDefault(each => each.Id == damage.Location);
        checks.Known(location is not null, "damage.location", damage.Location, construction.Locations.Select(each => each.Id));
        if (location is not null)
        {
            CheckAtLocation(checks, damage, construction, location);
        }
    }

    private static void CheckAtLocation(Checks checks, Damage damage, Construction construction, Location location)
    {
        var thickness = construction.ThicknessMmAt(location);
        if (double.IsFinite(damage.DepthMm) && damage.DepthMm > thickness)
        {
            checks.Demand(false, "deeper-than-item", "damage.depthMm",
                $"{Mm(damage.DepthMm):0.00} is deeper than the item: it is {Mm(thickness):0.00} thick at the {location.Name:inside}.",
                $"Measure the depth again; give at most {Mm(thickness):0.00}.");
        }
        else
        {
            checks.Range(damage.DepthMm, 0.01, thickness, "damage.depthMm", "mm");
        }

        checks.Demand(construction.Damages.Any(usual => usual.Kind == damage.Kind), "kind-does-not-fit", "damage.kind",
            $"{construction.Name} is not known to be damaged in this way.", $"Use one of: {string.Join(", ", construction.Damages.Select(usual => Kebab<DamageKind>.Id(usual.Kind)).Distinct()):as-is}.");
        checks.Demand(damage.Kind != DamageKind.FinBoxSurround || location.FinBox, "no-fin-box", "damage.location",
            "There is no fin box at this place.", "Choose the fin box, or another kind of damage.");
        checks.Demand(damage.Kind != DamageKind.FinBoxSurround || damage.Fin is not null, "fin-not-checked", "damage.fin",
            "The fin has not been rocked and compared with its twin.", "Set a fin, rock it, and give its cant and that of its twin.");
        checks.Demand(damage.Kind != DamageKind.Crack || damage.Shape is CrackShape or TracedShape, "shape-does-not-fit", "damage.shape",
            "A crack is given by length and width, or traced.", "Use the shape 'crack' or 'traced'.");
    }

    private static void CheckShape(Checks checks, Shape shape, string field)
    {
        switch (shape)
        {
            case RoundShape round:
                checks.Range(round.DiameterMm, 1, 600, $"{field}.diameterMm", "mm");
                break;
            case OvalShape oval:
                checks.Range(oval.LengthMm, 1, 600, $"{field}.lengthMm", "mm");
                checks.Range(oval.WidthMm, 1, 600, $"{field}.widthMm", "mm");
                break;
            case CrackShape crack:
                checks.Range(crack.LengthMm, 1, 600, $"{field}.lengthMm", "mm");
                checks.Range(crack.WidthMm, 0.1, 100, $"{field}.widthMm", "mm");
                break;
            case TracedShape traced:
                checks.Demand(traced.Points.Count is >= 3 and <= 400 && traced.Points.All(point => Math.Abs(point.X) <= 600 && Math.Abs(point.Y) <= 600)
                    && Outline.IsSound(traced.Points), "bad-outline", $"{field}.points",
                    "The traced outline crosses itself, encloses nothing, or leaves the sheet.", "Trace it again with 3 to 400 points, once round.");
                break;
        }
    }

    private static void CheckBench(Checks checks, BenchFacts bench)
    {
        checks.Range(bench.TemperatureC, -10, 45, "bench.temperatureC", "°C");
        checks.Range(bench.RelativeHumidityPercent, 1, 100, "bench.relativeHumidityPercent", "%");
        checks.Range(bench.NightTemperatureC, -10, 45, "bench.nightTemperatureC", "°C");
        checks.Demand(TimeZoneInfo.TryFindSystemTimeZoneById(bench.Zone, out _), "unknown-zone", "bench.zone",
            $"'{bench.Zone:as-is}' is not a time zone that is known.", "Use an IANA name, such as Etc/UTC.");
        checks.Range(bench.LatitudeDeg, -90, 90, "bench.latitudeDeg", "°");
        checks.Range(bench.LongitudeDeg, -180, 180, "bench.longitudeDeg", "°");
        checks.Demand((bench.LatitudeDeg is null) == (bench.LongitudeDeg is null), "half-a-place", "bench.longitudeDeg",
            "A latitude without a longitude, or the other way round, is no place.", "Give both, or neither.");
        checks.Range(bench.LampMwPerCm2, 0.1, 1000, "bench.lampMwPerCm2", "mW/cm²");
        checks.Range(bench.RoomM3, 1, 100_000, "bench.roomM3", "m³");
        checks.Range(bench.AirChangesPerHour, 0.1, 100, "bench.airChangesPerHour", "an hour");
        checks.Range(bench.AltitudeM, -400, 5000, "bench.altitudeM", "m");
        checks.Range(bench.OpensHour, 0, 23, "bench.opensHour", "h");
        checks.Range(bench.ClosesHour, 1, 24, "bench.closesHour", "h");
        checks.Demand(bench.OpensHour < bench.ClosesHour, "hours-reversed", "bench.closesHour", "The shop closes before it opens.", "Give a later closing hour.");
    }

    private static void CheckWanted(Checks checks, Wanted wanted)
    {
        CheckGrit(checks, wanted.FinishGrit, "wanted.finishGrit");
        checks.Range(wanted.Skill, 1, 3, "wanted.skill", "");
        checks.Range(wanted.HottestInUseC, 0, 90, "wanted.hottestInUseC", "°C");
        checks.Range(wanted.UsedAtM, -400, 5000, "wanted.usedAtM", "m");
        foreach (var (value, name) in wanted.Weights is { } w
            ? new[] { (w.Fast, "fast"), (w.Lasting, "lasting"), (w.Tidy, "tidy"), (w.Cheap, "cheap") } : [])
        {
            checks.Range(value, 0, 5, $"wanted.weights.{name}", "");
        }

        checks.Demand(wanted.StartAt is not null, "no-start", "wanted.startAt", "The case does not say when work begins.", "Give an instant in UTC.");
        foreach (var (instant, name) in new[] { (wanted.StartAt, "startAt"), (wanted.NeededBy, "neededBy") })
        {
            checks.Demand(instant is null || instant.Value.Year is >= 2000 and <= 2200, "absurd-date", $"wanted.{name}",
                "The date lies outside the years 2000 to 2200.", "Check the year.");
        }
    }

    private static void CheckTools(Checks checks, Tools tools)
    {
        checks.Demand(tools.Grits.Count is > 0 and <= 60, "no-grits", "tools.grits", "The drawer is empty, or holds more than 60 grits.", "Name the grits at hand, such as P60, P150, P220, P400.");
        foreach (var (grit, i) in tools.Grits.Take(60).Select((grit, i) => (grit, i)))
        {
            CheckGrit(checks, grit, $"tools.grits[{i}]");
        }

        switch (tools.Measure)
        {
            case CupDevice cup:
                checks.Range(cup.LineEveryMl, 0.1, 100, "tools.measure.lineEveryMl", "mL");
                checks.Range(cup.LineErrorMl, 0.001, cup.LineEveryMl, "tools.measure.lineErrorMl", "mL");
                checks.Range(cup.HoldsMl, 5, 2000, "tools.measure.holdsMl", "mL");
                break;
            case ScaleDevice scale:
                checks.Range(scale.StepG, 0.001, 10, "tools.measure.stepG", "g");
                break;
        }
    }

    private static void CheckGrit(Checks checks, string grit, string field) =>
        checks.Demand(Grit.TryParse(grit) is not null, "unknown-grit", field, $"'{grit:as-is}' is not a grit that is known.", "Write P220 for a P grade, or 220 CAMI for an American one.");

    private static void CheckChoice(Checks checks, RepairCase repairCase, MendCatalogue catalogue, IReadOnlyList<IMendMethod> methods)
    {
        var choice = repairCase.Choice ?? new Choice();
        checks.Known(choice.Method is null || methods.Any(method => method.Id == choice.Method), "choice.method", choice.Method ?? "", methods.Select(method => method.Id));
        checks.Known(choice.Material is null || (catalogue.Materials.TryGetValue(choice.Material, out var main) && main.Holds), "choice.material", choice.Material ?? "",
            catalogue.MaterialList.Where(material => material.Holds).Select(material => material.Id));
        KnownMaterial(checks, catalogue, choice.Patch, Role.PatchStock, "choice.patch");
        KnownMaterial(checks, catalogue, choice.Cloth, Role.Cloth, "choice.cloth");
        KnownMaterial(checks, catalogue, choice.Filler, Role.Filler, "choice.filler");
        foreach (var (id, option) in choice.Schools ?? NoSchools)
        {
            var school = catalogue.Schools.GetValueOrDefault(id);
            checks.Known(school is not null, "choice.schools", id, catalogue.Schools.Keys);
            checks.Known(school?.Options.Any(each => each.Id == option) != false, $"choice.schools.{id}", option, school?.Options.Select(each => each.Id) ?? []);
        }

        checks.Demand(repairCase.Tools.Has is null or { Count: <= 60 }, "too-many", "tools.has", "More than 60 tools.", "Name those that the methods ask for.");
        foreach (var (entry, i) in (repairCase.Shelf ?? []).Select((entry, i) => (entry, i)))
        {
            checks.Known(catalogue.Materials.ContainsKey(entry.Material), $"shelf[{i}].material", entry.Material, catalogue.Materials.Keys);
        }

        checks.Demand(repairCase.Overrides is null or { Count: <= 100 }, "too-many", "overrides", "More than 100 overrides.", "Keep the ones that matter.");
        foreach (var (each, i) in (repairCase.Overrides ?? []).Select((each, i) => (each, i)))
        {
            checks.Range(each.Value, 0.001, 100000, $"overrides[{i}].value", "");
            checks.Demand(each.Reason is { Length: >= 3 and <= 300 }, "no-reason", $"overrides[{i}].reason",
                "A figure set by hand needs its reason.", "Say why in 3 to 300 characters.");
        }
    }

    private static readonly Dictionary<string, string> NoSchools = [];

    private static void KnownMaterial(Checks checks, MendCatalogue catalogue, string? id, Role role, string field) =>
        checks.Known(id is null || (catalogue.Materials.TryGetValue(id, out var material) && material.Role == role), field, id ?? "",
            catalogue.MaterialList.Where(material => material.Role == role).Select(material => material.Id));

    /// <summary>Collects problems.</summary>
    private sealed class Checks
    {
        private readonly List<Problem> _problems = [];

        public IReadOnlyList<Problem> Problems => _problems;

        public void Demand(bool holds, string code, string field, Message message, Message remedy)
        {
            if (!holds)
            {
                _problems.Add(new Problem(code, field, message, remedy));
            }
        }

        public void Known(bool known, string field, string id, IEnumerable<string> ids) =>
            Demand(known, "unknown-id", field, $"'{id:as-is}' is not known.", $"Use one of: {string.Join(", ", ids.Order()):as-is}.");

        public void Range(double? value, double low, double high, string field, string unit)
        {
            if (OutOfRange.Of(value, low, high, field, unit) is { } problem)
            {
                _problems.Add(problem);
            }
        }
    }
}
