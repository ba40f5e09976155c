using System.Globalization;
using System.Text.Json;
using System.Text.RegularExpressions;
using AbleMend.Core.Cases;
using AbleMend.Core.Finishing;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;
using AbleMend.Core.Preparing;
using AbleMend.Core.Proving;
using AbleMend.Core.Timing;

namespace AbleMend.Core.Tests.Plans;

/// <summary>
/// What no plan may break, whatever was asked. Each law reads the plan as a hand would, from its steps, times and figures, and knows
/// nothing of how they were worked out.
/// </summary>
internal static partial class PlanLaws
{
    /// <summary>Each law by its name, with what a plan does against it.</summary>
    public static IReadOnlyDictionary<string, Func<RepairCase, RepairPlan, IEnumerable<string>>> All { get; } = new Dictionary<string, Func<RepairCase, RepairPlan, IEnumerable<string>>>
    {
        ["no step uses a mix past its life"] = MixesInTime,
        ["nothing begins before what it waits for"] = WaitsKept,
        ["hands are on it only while the shop is open"] = HandsWhileOpen,
        ["nothing is ready after its full cure, or before its last step"] = ReadyInOrder,
        ["no window falls where nobody is there without a word"] = Windows,
        ["no batch exceeds cup or heat without a word"] = CupsAndHeat,
        ["nothing is measured more coarsely than its tolerance at 95 %"] = Measured,
        ["every grit is there, or named to buy"] = GritsThere,
        ["every material is there, or named to buy"] = MaterialsThere,
        ["every tape that goes on comes off"] = TapesOff,
        ["every face glued was prepared"] = Prepared,
        ["what holds comes off the shelf"] = TakenOff,
        ["nothing is cut or ground between the wipe and the bond"] = WipedLast,
        ["nothing is wiped or coated below the dew point"] = AboveDew,
        ["minutes add up"] = MinutesAddUp,
        ["every text is whole"] = TextsWhole,
        ["what is planned can be kept and read again"] = KeptAndRead,
        ["an item is looked over and let down once, and blown up once, when all that was glued holds"] = AirOnce,
        ["nothing is done on one side of an item while what was put on the other still runs"] = OneSideUp,
        ["nothing is cut or closed at one damage while the item dries for another"] = DriedFirst,
        ["nothing is warmed that warmth spoils"] = WarmedWithCare,
    };

    private static string Words(PlanStep step) => $"{Voice.Plain.Say(step.Title)}. {Voice.Plain.Say(step.Instruction)}";

    private static TimedStep At(RepairPlan plan, string step) => plan.Timeline.First(each => each.StepId == step);

    private static double? Figure(RepairPlan plan, string id) => plan.Figures.FirstOrDefault(figure => figure.Id == id)?.Value;

    private static Material Holds(RepairPlan plan, int damage) => Cases.Planner.Catalogue.Materials[plan.Damages[damage - 1].System!.Material];

    /// <summary>Which damage an identifier is of, and the identifier without it.</summary>
    private static int NumberOf(string id) => id.IndexOf(':') is var at and > 0 ? int.Parse(id.AsSpan(0, at), CultureInfo.InvariantCulture) : 1;

    private static string Local(string id) => id[(id.IndexOf(':') + 1)..];

    private static IEnumerable<string> MixesInTime(RepairCase asked, RepairPlan plan)
    {
        foreach (var step in plan.Steps.Where(step => step.Uses is not null))
        {
            var mix = plan.Steps.First(each => each.Id == step.Uses);
            if (mix.UseWithinMin is not { } within || (mix.Pour?.Warning is { } warning && Voice.Plain.Say(warning).Contains("It sets faster", StringComparison.Ordinal)) || plan.Warnings.Any(each => each.Code == "too-quick") || At(plan, step.Id).StartsAt is not { } start)
            {
                continue;
            }

            var cups = mix.Pour?.Cups is { } id ? Figure(plan, id) ?? 1 : 1;
            var elapsed = (start - At(plan, mix.Id).StartsAt!.Value).TotalMinutes + (step.Timing.HandsOnMin / cups);
            if (elapsed > (within * 1.02) + 1)
            {
                yield return $"{step.Id} ends {elapsed:0} min after {mix.Id}, which may be used for {within:0}";
            }
        }

        foreach (var mix in plan.Steps.Where(step => step.UseWithinMin is not null && plan.Steps.All(each => each.Uses != step.Id)))
        {
            yield return $"{mix.Id} is mixed and never used";
        }
    }

    private static IEnumerable<string> WaitsKept(RepairCase asked, RepairPlan plan)
    {
        foreach (var lane in plan.Steps.GroupBy(step => step.Damage))
        {
            var steps = lane.Select(step => At(plan, step.Id)).ToList();
            for (var i = 1; i < steps.Count; i++)
            {
                if (steps[i].StartsAt < steps[i - 1].OpensAt || steps[i].StartsAt < steps[i - 1].HandsEndAt)
                {
                    yield return $"{steps[i].StepId} begins before {steps[i - 1].StepId} is over";
                }
            }
        }
    }

    private static IEnumerable<string> HandsWhileOpen(RepairCase asked, RepairPlan plan)
    {
        var zone = TimeZoneInfo.FindSystemTimeZoneById(asked.Bench.Zone);
        foreach (var step in plan.Timeline.Where(step => step is { StartsAt: not null, HandsEndAt: not null }))
        {
            var (begins, ends) = (TimeZoneInfo.ConvertTime(step.StartsAt!.Value, zone), TimeZoneInfo.ConvertTime(step.HandsEndAt!.Value, zone));
            var (opens, closes) = (begins.Date.AddHours(asked.Bench.OpensHour), begins.Date.AddHours(asked.Bench.ClosesHour));
            // What takes longer than a day begins with one.
            var isLong = (step.HandsEndAt - step.StartsAt)!.Value > closes - opens;
            if (begins.DateTime < opens || begins.DateTime > closes || (ends.DateTime > closes.AddSeconds(1) && !isLong))
            {
                yield return $"{step.StepId} has hands on it from {begins:ddd HH:mm zzz} to {ends:ddd HH:mm zzz}, open {asked.Bench.OpensHour} to {asked.Bench.ClosesHour}";
            }
        }
    }

    private static IEnumerable<string> ReadyInOrder(RepairCase asked, RepairPlan plan)
    {
        if (plan.FullCureAt < plan.ReadyAt)
        {
            yield return $"full cure {plan.FullCureAt} before ready {plan.ReadyAt}";
        }

        if (plan.ReadyAt is { } ready && plan.Timeline.Any(step => step.OpensAt > ready || step.HandsEndAt > ready))
        {
            yield return "ready before its last step or wait is over";
        }

        if (plan.ReadyAt is null && plan.Warnings.All(warning => warning.Code != "never-ready"))
        {
            yield return "never ready, and nothing says so";
        }
    }

    private static IEnumerable<string> Windows(RepairCase asked, RepairPlan plan)
    {
        foreach (var missed in plan.Timeline.Where(step => step.MissesWindow))
        {
            var wide = (missed.ClosesAt - missed.OpensAt)!.Value;
            // A window that is open for a quarter of an hour of the shop's day can be met by beginning at the right time.
            if (asked.Bench.ClosesHour - asked.Bench.OpensHour >= 9 && wide > TimeSpan.FromMinutes(5))
            {
                yield return $"{missed.StepId} is open {missed.OpensAt:HH:mm} to {missed.ClosesAt:HH:mm} with nobody there";
            }

            if (plan.Warnings.All(warning => warning.Code != "window-missed" || warning.StepId != missed.StepId))
            {
                yield return $"{missed.StepId} is missed and nothing says so";
            }
        }

        foreach (var held in plan.Timeline.Where(step => step.HeldFrom is not null && plan.Warnings.All(warning => warning.Code != "held-back" || warning.StepId != step.StepId)))
        {
            yield return $"{held.StepId} is held back and nothing says why";
        }
    }

    private static IEnumerable<string> CupsAndHeat(RepairCase asked, RepairPlan plan)
    {
        foreach (var step in plan.Steps.Where(step => step.Pour?.Cups is not null))
        {
            var prefix = step.Id[..^"-mix".Length];
            var (batch, peak) = (Figure(plan, $"{prefix}.batch"), Figure(plan, $"{prefix}.peak"));
            if (asked.Tools.Measure is CupDevice cup && batch > cup.HoldsMl + 1e-6 && step.Pour!.Warning is null)
            {
                yield return $"{step.Id}: {batch:0.#} mL in a cup of {cup.HoldsMl}";
            }

            if (Holds(plan, step.Damage).Heat is { } heat && peak > heat.SafePeakC + 20 && step.Pour!.Warning is null)
            {
                yield return $"{step.Id} comes to {peak} °C and nothing says so";
            }
        }
    }

    private static IEnumerable<string> Measured(RepairCase asked, RepairPlan plan)
    {
        foreach (var figure in plan.Figures.Where(figure => figure.Id.EndsWith(".ratio-error", StringComparison.Ordinal)))
        {
            var most = Holds(plan, NumberOf(figure.Id)).Ratio!.TolerancePercent;
            if (figure.Value > most + 0.05)
            {
                yield return $"{figure.Id} is {figure.Value:0.0} %, allowed {most}";
            }
        }

        foreach (var figure in plan.Figures.Where(figure => figure.Id.EndsWith(".catalyst-true", StringComparison.Ordinal)))
        {
            var dose = Holds(plan, NumberOf(figure.Id)).Catalyst!;
            if (figure.Value < dose.MinPercent * 0.98 || figure.Value > dose.MaxPercent * 1.02)
            {
                yield return $"{figure.Id} is {figure.Value:0.00} %, allowed {dose.MinPercent} to {dose.MaxPercent}";
            }
        }

        foreach (var step in plan.Steps.Where(step => step.Stage == Stage.Mix && asked.Tools.Measure is CupDevice { LineEveryMl: >= 5 } or PumpDevice or ScaleDevice { StepG: >= 1 }))
        {
            if (step.Pour?.Parts.FirstOrDefault(id => id.EndsWith(".kits", StringComparison.Ordinal)) is { } kits && Figure(plan, kits) % 1 != 0 && plan.Warnings.All(warning => warning.Code != "too-coarse"))
            {
                yield return $"{step.Id}: a part of a vial on lines of a cup or a coarse scale, and nothing says what with";
            }
        }
    }

    private static IEnumerable<string> GritsThere(RepairCase asked, RepairPlan plan)
    {
        var warned = string.Join(" ", plan.Warnings.Select(warning => Voice.Plain.Say(warning.Text)));
        foreach (var step in plan.Steps)
        {
            foreach (var label in GritLabel().Matches(Words(step)).Select(match => match.Value).Distinct())
            {
                if (Grit.TryParse(label) is not null && !asked.Tools.Grits.Contains(label) && !Regex.IsMatch(warned, $@"\b{label}\b"))
                {
                    yield return $"{step.Id} asks for {label}, which is not in the drawer";
                }
            }
        }
    }

    private static IEnumerable<string> MaterialsThere(RepairCase asked, RepairPlan plan)
    {
        if (asked.Shelf is not { } shelf)
        {
            yield break;
        }

        var warned = string.Join(" ", plan.Warnings.Select(warning => Voice.Plain.Say(warning.Text)));
        foreach (var cloth in plan.Damages.SelectMany(damage => damage.Patches).Select(patch => patch.Cloth).Distinct())
        {
            // A shelf that counts no cloth at all says nothing of it.
            var counted = Cases.Planner.Catalogue.Materials[cloth].Role != Role.Cloth || shelf.Any(each => Cases.Planner.Catalogue.Materials[each.Material].Role == Role.Cloth);
            if (counted && shelf.All(each => each.Material != cloth) && plan.Damages.All(damage => damage.System!.Material != cloth) && !warned.Contains(Voice.Plain.Say(Message.Parse(Cases.Planner.Catalogue.Materials[cloth].Name)), StringComparison.OrdinalIgnoreCase))
            {
                yield return $"{cloth} is not on the shelf, and nothing says so";
            }
        }
    }

    private static IEnumerable<string> TapesOff(RepairCase asked, RepairPlan plan)
    {
        foreach (var lane in plan.Steps.GroupBy(step => step.Damage))
        {
            var on = 0;
            string? last = null;
            foreach (var step in lane)
            {
                var words = Words(step);
                if (TapeOff().IsMatch(words))
                {
                    on = 0;
                }

                if (TapeOn().IsMatch(words) && !TapeStays().IsMatch(words))
                {
                    if (on > 0 && TapeOn().IsMatch(Voice.Plain.Say(step.Title)) && Local(step.Id) != "film")
                    {
                        yield return $"{step.Id} tapes over the tape of {last}";
                    }

                    (on, last) = (on + 1, step.Id);
                    // What is both put on and taken off in one step, off last.
                    if (TapeOffLater().IsMatch(words))
                    {
                        on = 0;
                    }
                }
            }

            if (on > 0)
            {
                yield return $"the tape of {last} never comes off";
            }
        }
    }

    private static IEnumerable<string> Prepared(RepairCase asked, RepairPlan plan)
    {
        foreach (var lane in plan.Steps.GroupBy(step => step.Damage))
        {
            var steps = lane.ToList();
            var first = steps.FindIndex(step => step.Stage is Stage.Apply);
            if (first >= 0 && Holds(plan, lane.Key) is { Role: not Role.Part and not Role.Splint } && !steps.Take(first).Any(step => MadeReady().IsMatch(Words(step))))
            {
                yield return $"{steps[first].Id} holds on a face that nobody scuffed or wiped";
            }

            var inside = steps.FindIndex(step => step.Stage == Stage.Apply && step.Id.Contains("inside", StringComparison.Ordinal));
            if (inside > 0 && !steps.Take(inside).Any(step => step.Stage == Stage.Prepare && (Voice.Plain.Say(step.Title) + Voice.Plain.Say(step.Instruction)).Contains("inside", StringComparison.OrdinalIgnoreCase) && MadeReady().IsMatch(Words(step))))
            {
                yield return $"{steps[inside].Id} holds on an inside that nobody scuffed or wiped";
            }
        }
    }

    private static IEnumerable<string> TakenOff(RepairCase asked, RepairPlan plan)
    {
        var takings = plan.Steps.SelectMany(step => step.Takes ?? []).ToList();
        foreach (var system in plan.Damages.Select(damage => damage.System!).Where(system => takings.All(taking => taking.Material != system.Material)))
        {
            yield return $"no step takes {system.Material}";
        }

        foreach (var taking in takings.Where(taking => !Cases.Planner.Catalogue.Materials.ContainsKey(taking.Material)
            || (taking.Figure is { } id && Figure(plan, id) is not > 0) || (taking.Times is { } times && Figure(plan, times) is not >= 1)))
        {
            yield return $"{taking} is not so much of something";
        }
    }

    private static IEnumerable<string> WipedLast(RepairCase asked, RepairPlan plan) =>
        from lane in plan.Steps.GroupBy(step => step.Damage)
        from after in lane.SkipWhile(step => Local(step.Id) != "clean").Skip(1).TakeWhile(step => step.Stage is not (Stage.Apply or Stage.Mix))
            // A dam of tape goes on a clean face, or it leaks.
        where after.Stage == Stage.Shape && Local(after.Id) is not ("dam" or "lip")
        select $"{after.Id} comes after the wipe";

    private static IEnumerable<string> AboveDew(RepairCase asked, RepairPlan plan)
    {
        var damp = asked.Bench.TemperatureC < DewPoint.Celsius(asked.Bench.TemperatureC, asked.Bench.RelativeHumidityPercent) + DewPoint.MarginK;
        foreach (var lane in plan.Steps.GroupBy(step => step.Damage))
        {
            var order = lane.Select(step => Local(step.Id)).ToList();
            var wiped = order.FindIndex(id => id is "clean" or "print");
            if (damp && wiped >= 0 && order.FindIndex(id => id == "warm-dew") is var warmed && (warmed < 0 || warmed > wiped))
            {
                yield return "wiped and coated below the dew point";
            }
        }
    }

    private static IEnumerable<string> MinutesAddUp(RepairCase asked, RepairPlan plan)
    {
        foreach (var step in plan.Steps)
        {
            var parts = step.Figures.Where(id => Local(id).StartsWith("sand.", StringComparison.Ordinal)).Select(id => plan.Figures.First(figure => figure.Id == id)).Where(figure => figure.Unit == "min").Sum(figure => figure.Value);
            if (step.Timing.HandsOnMin < parts - 0.01)
            {
                yield return $"{step.Id} takes {step.Timing.HandsOnMin:0} min, its rungs {parts:0}";
            }
        }
    }

    private static IEnumerable<string> TextsWhole(RepairCase asked, RepairPlan plan)
    {
        foreach (var step in plan.Steps)
        {
            var words = $"{Words(step)} {(step.DoNotForget is { } forget ? Voice.Plain.Say(forget) : "")}";
            if (words.Contains("NaN", StringComparison.Ordinal) || words.Contains('∞') || words.Contains('{') || words.Contains("  ", StringComparison.Ordinal))
            {
                yield return $"{step.Id}: {words}";
            }
        }
    }

    [GeneratedRegex(@"\bP\d{2,4}\b")]
    private static partial Regex GritLabel();

    [GeneratedRegex(@"\b([Tt]ape (round|close|tight|the|either|a|over|down|one|dam|outside|each|it|both)|[Cc]lear tape|[Ss]trip of tape|turn of tape|New tape|tape (close|outside|that|it|them|round)|with tape)", RegexOptions.CultureInvariant)]
    private static partial Regex TapeOn();

    [GeneratedRegex(@"([Pp]ull the (masking )?tape|[Tt]ape off|[Pp]eel (it|the tape)|[Tt]ake (the|the old) (old )?tape off|[Dd]am off|marking tape off|its tape off|pulls? the tape|[Ff]ilm off, look)", RegexOptions.CultureInvariant)]
    private static partial Regex TapeOff();

    [GeneratedRegex(@"(take it off before|comes off (with|before|when)|Take the tape off when|which comes off|tape off when)", RegexOptions.CultureInvariant)]
    private static partial Regex TapeOffLater();

    /// <summary>Tape that is a part of the mend, or of a test that ends with it.</summary>
    [GeneratedRegex(@"(Two turns of tape over each end|tape a piece of clear film|one turn of tape over the split|wrap (with )?release tape|close the tape over)", RegexOptions.CultureInvariant)]
    private static partial Regex TapeStays();

    [GeneratedRegex(@"([Ss]cuff|[Kk]ey|[Ww]ipe|[Ww]ash|[Ss]and|[Bb]rush|[Cc]lean|bright|[Aa]lcohol|[Aa]cetone|[Bb]lade)", RegexOptions.CultureInvariant)]
    private static partial Regex MadeReady();

    /// <summary>
    /// Warmth closes a window sooner, does nothing for what light, water or cold sets, softens what softens, and blows bubbles into fresh resin
    /// over foam. Common practice, no source; fifteen degrees, six millimetres and 45 °C from memory.
    /// </summary>
    private static IEnumerable<string> WarmedWithCare(RepairCase asked, RepairPlan plan)
    {
        foreach (var (step, wait) in plan.Steps.Where(step => step.Timing.Wait?.Warm is not null).Select(step => (step, step.Timing.Wait!)))
        {
            var damage = asked.Damages[step.Damage - 1].Seen;
            var built = Cases.Planner.Catalogue.Constructions[asked.Item.Construction];
            var layers = built.LayersAt(built.Locations.First(each => each.Id == damage.Location)).Select(layer => Cases.Planner.Catalogue.Substances[layer.Substance]).ToList();
            var softens = layers.Min(layer => layer.SoftensAtC) ?? double.PositiveInfinity;
            if (wait.ClosesMin is not null || wait.Clock.ActivationKjPerMol == 0 || wait.Clock.BySun || wait.Clock.ByMoisture || wait.Kind is WaitKind.Tack or WaitKind.Recoat or WaitKind.Flash or WaitKind.Dry or WaitKind.Cool or WaitKind.Light or WaitKind.Pressure)
            {
                yield return $"{step.Id} may be warmed while it waits for {wait.Kind}";
            }

            if (wait.Warm!.UpToC is { } most && (most > 45 || most > softens - 15))
            {
                yield return $"{step.Id} may stand at {most} °C on what softens at {softens}";
            }

            if (wait.Warm.UpToC is not null && wait.Kind != WaitKind.Loadable && Holds(plan, step.Damage) is { Role: not Role.Cement, Cure: CureKind.TwoPart or CureKind.Catalysed }
                && (damage.DepthMm > 6 || layers.Any(layer => layer.Texture is Core.Gear.Texture.Foam or Core.Gear.Texture.Beads)))
            {
                yield return $"{step.Id} is warmed while resin is fresh over foam, or lies {damage.DepthMm} mm deep";
            }
        }
    }

    private static IEnumerable<string> KeptAndRead(RepairCase asked, RepairPlan plan)
    {
        string kept;
        try
        {
            kept = JsonSerializer.Serialize(plan, OpenJson.Options);
        }
        catch (JsonException broken)
        {
            return [broken.Message];
        }

        var read = OpenJson.ReadPlan(kept);
        return read.Value is { } again ? JsonSerializer.Serialize(again, OpenJson.Options) == kept ? [] : ["it is another when read again"] : [Voice.Plain.Say(read.Problems[0].Message)];
    }

    private static IEnumerable<string> AirOnce(RepairCase asked, RepairPlan plan)
    {
        var steps = plan.Timeline.Select(timed => (Timed: timed, Step: plan.Steps.First(step => step.Id == timed.StepId), Local: Numbering.Parse(timed.StepId).Id)).ToList();
        foreach (var twice in steps.Where(each => each.Local is "find" or "deflate" or HoldTest.InflateStep or HoldTest.WatchStep or "prove-hold").CountBy(each => each.Local).Where(each => each.Value > 1))
        {
            yield return $"{twice.Key} {twice.Value} times";
        }

        if (steps.FindIndex(each => each.Local == "deflate") is var down and >= 0 && steps.FindIndex(each => each.Local == "find") > down)
        {
            yield return "it is looked over when the air is out";
        }

        var blown = steps.FindIndex(each => each.Local == HoldTest.InflateStep);
        if (blown < 0)
        {
            yield break;
        }

        var start = steps[blown].Timed.StartsAt;
        foreach (var (timed, step, _) in steps.Skip(blown).Where(each => each.Step.Stage is not Stage.Prove))
        {
            yield return $"{timed.StepId} is done to an item that is blown up";
        }

        foreach (var (timed, step, _) in steps.Take(blown).Where(each => each.Step.Timing.Wait is not null && !(each.Timed.OpensAt <= start)))
        {
            yield return $"{timed.StepId} has not set when it is blown up";
        }

        var held = steps.FindIndex(each => each.Local == "prove-hold");
        foreach (var (timed, step, _) in steps.Take(held < 0 ? 0 : held).Skip(blown).Where(each => each.Step.Damage != steps[blown].Step.Damage && each.Local is not HoldTest.WatchStep && each.Step.Proof is not "soap" and not "edge"))
        {
            yield return $"{timed.StepId} disturbs the item while its pressure is watched";
        }
    }

    private static IEnumerable<string> OneSideUp(RepairCase asked, RepairPlan plan)
    {
        var construction = Cases.Planner.Catalogue.Constructions[asked.Item.Construction];
        string? SideOf(PlanStep step) => construction.Locations.First(place => place.Id == asked.Damages[step.Damage - 1].Seen.Location).Side;
        var work = plan.Timeline.Select(timed => (Timed: timed, Step: plan.Steps.First(step => step.Id == timed.StepId)))
            .Where(each => each.Step.Stage != Stage.Prove && Numbering.Parse(each.Step.Id).Id is not "find" and not "dry" and not "deflate" && SideOf(each.Step) is not null && each.Timed.StartsAt is not null).ToList();
        foreach (var (timed, step) in work.Where(each => each.Step.Timing.Wait is { Kind: not WaitKind.Dry and not WaitKind.Pressure } wait && (wait.Kind != WaitKind.Loadable || each.Step.Stage == Stage.Apply)))
        {
            // Tacky enough for the next coat is firm enough to be turned: common practice.
            var wait = step.Timing.Wait!;
            var label = wait.Material is { } material ? Cases.Planner.Catalogue.Materials[material].Label!.RecoatOpensMin : null;
            var from = wait.CountsFrom is { } counted ? plan.Timeline.First(each => each.StepId == counted).StartsAt!.Value : timed.HandsEndAt!.Value;
            var runs = label is { } firm && firm < wait.OpensMin.CureMin
                ? wait.Clock.TryFindReached(AbleMend.Core.Quantities.Measures.CureMin(firm), from, asked.Bench.ClimateFrom(plan.StartAt)) ?? DateTimeOffset.MaxValue
                : timed.OpensAt ?? DateTimeOffset.MaxValue;
            foreach (var other in work.Where(each => SideOf(each.Step) != SideOf(step) && each.Timed.StartsAt >= timed.StartsAt && each.Timed.StartsAt < runs))
            {
                yield return $"{other.Step.Id} is done while what {step.Id} put on still runs";
            }
        }
    }

    private static IEnumerable<string> DriedFirst(RepairCase asked, RepairPlan plan)
    {
        foreach (var dry in plan.Steps.Where(step => Numbering.Parse(step.Id).Id == "dry"))
        {
            var over = At(plan, dry.Id).OpensAt;
            foreach (var step in plan.Steps.Where(step => step.Stage is not Stage.Prove && !dry.Timing.IsFor(step.Damage) && Numbering.Parse(step.Id).Id is not "find" and not "dry" and not "deflate" && !(At(plan, step.Id).StartsAt >= over)))
            {
                yield return $"{step.Id} is done while {dry.Id} dries";
            }
        }
    }
}
