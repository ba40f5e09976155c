using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Days;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;
using AbleMend.Core.Quantities;
using AbleMend.Core.Running;
using AbleMend.Core.Worth;

namespace AbleMend.Data;

/// <summary>
/// Lantern Quay, an invented outdoor campus on a lake with its own repair shop: a dozen boards and other gear at different stages.
/// Everything here is invented.
/// </summary>
public static class DemoData
{
    private const string Zone = "Europe/Dublin";

    private static readonly Tools Tools = new(
        new CupDevice(5, 0.5, 60), ["P60", "P80", "P100", "P120", "P150", "P220", "P320", "P400", "P500", "P600", "P1000", "P2000", "P2500"]);

    private static readonly BenchFacts Bench = new(20, 58, LightLevel.FullSun, null, Zone, RoomM3: 60);

    /// <summary>The shop's settings.</summary>
    public static ShopSettings Settings { get; } = new(
        "Lantern Quay repair shop",
        UnitSystem.Metric,
        Bench,
        Tools,
        [
            new("epoxy-2to1"), new("epoxy-5to1"), new("polyester-laminating"), new("uv-polyester"), new("uv-epoxy-safe"),
            new("epoxy-100to42"), new("peroxide"), new("acetone"), new("isopropanol"), new("gel-coat"), new("epoxy-metal"), new("cyanoacrylate-thin"),
            new("wood-glue"), new("urethane-sealant"), new("silicone-adhesive"), new("cement-neoprene"), new("cement-fuel-resistant"), new("cement-vinyl"),
            new("cement-polyurethane-two-part"), new("cement-csm-two-part"), new("base-filler"), new("base-weld"), new("polyethylene-rod"), new("hard-lacquer"),
            new("mesh-disc"), new("repair-cloth"), new("water-wrap"), new("splint-sleeve"), new("valve-core"), new("hot-melt"),
        ],
        Offcuts: [new("glass, long", "glass-136", 640, 180), new("glass, square", "glass-136", 150, 150), new("PVC, grey", "pvc-patch", 210, 120)],
        Floor: new ShopFloor([new Technician("Wren"), new Technician("Ash", Skill: 2, ComesHour: 9, GoesHour: 17, DaysOff: [Weekday.Saturday])], Clamps: 4, Places: 8, ClosedDays: [Weekday.Sunday], BreakFromHour: 13, WarmPlaces: 1),
        Rates: new Rates("EUR", 48, 18, 5, 23),
        Devices: [new("Bench scale", new ScaleDevice(0.1)), new("Small syringes", new SyringeDevice(0.2, 10))]);

    /// <summary>Fills an empty database, all of it or nothing: a start that is cut short leaves it empty for the next one.</summary>
    /// <param name="db">The database.</param>
    /// <param name="planner">Planner for the demo's plans.</param>
    /// <param name="now">The present, which the stages are placed around.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task FillAsync(MendDb db, Planner planner, DateTimeOffset now, CancellationToken cancel)
    {
        await using var filling = await db.Database.BeginTransactionAsync(cancel);
        db.Shop.Add(new ShopRow { SettingsJson = JsonSerializer.Serialize(Settings with { Shelf = DemoShelf.At(Settings.Shelf!, DateOnly.FromDateTime(now.UtcDateTime)) }, OpenJson.Options) });
        db.LotMoves.AddRange(DemoShelf.Used(now));
        var items = DemoItems.At(now).ToDictionary(item => item.Tag);
        db.Items.AddRange(items.Values);
        await db.SaveChangesAsync(cancel);
        var mends = new List<(string Tag, MendRow Row)>();
        foreach (var scene in DemoScenes.All(now, TimeZoneInfo.FindSystemTimeZoneById(Zone)))
        {
            var mend = Stage(scene, items[scene.Tag], planner, now);
            db.Mends.Add(mend);
            mends.Add((scene.Tag, mend));
            await db.SaveChangesAsync(cancel);
            if (scene.ProperRepairOfPrevious)
            {
                mend.FollowsMendId = mend.Id - 1;
                await db.SaveChangesAsync(cancel);
            }
        }

        await DemoTickets.WriteAsync(db, planner, mends, cancel);
        await filling.CommitAsync(cancel);
    }

    private static MendRow Stage(DemoScene scene, ItemRow item, Planner planner, DateTimeOffset now)
    {
        var draft = new RepairCase(
            RepairCase.CurrentFormat,
            new ItemFacts(item.Tag, item.Construction, Months(item.NewOn, now), Enum.Parse<Warranty>(item.Warranty), item.EarlierMend),
            [new DamageToMend(scene.Damage, scene.Choice), .. scene.MoreDamages.Select(damage => new DamageToMend(damage))],
            Bench,
            scene.Wanted with { StartAt = now },
            Tools,
            Settings.Facts.Shelf);
        var row = new MendRow
        {
            CasePacked = [],
            ItemId = item.Id,
            DueAt = scene.Wanted.NeededBy,
            CreatedAt = now - scene.Arrived,
            ChangedAt = now - scene.Arrived,
            Version = 1,
        };
        if (scene.At is { } at)
        {
            Play(row, draft, planner, at, now);
        }
        else
        {
            // It goes by the pieces that the shop has when it is looked at.
            var drafted = draft with { Wanted = draft.Wanted with { StartAt = null }, Offcuts = [] };
            row.CasePacked = PackedText.Of(JsonSerializer.Serialize(drafted, OpenJson.Options));
        }

        if (scene.SentOn)
        {
            var plan = Require(planner.Plan(draft));
            row.Status = MendStatus.SentOn;
            row.PlanPacked = PackedText.Of(JsonSerializer.Serialize(plan, OpenJson.Options));
            row.ClosedAt = now - scene.Arrived + TimeSpan.FromMinutes(20);
            row.SearchText = MendWords.For(draft, plan);
        }

        return row;
    }

    /// <summary>Plays a run up to a step, so that the step's phase began a set time before now.</summary>
    private static void Play(MendRow row, RepairCase draft, Planner planner, DemoMoment at, DateTimeOffset now)
    {
        // Round the clock and at an even temperature, so that moving the start moves every instant alike.
        var roundTheClock = draft with { Bench = draft.Bench with { OpensHour = 0, ClosesHour = 24, NightTemperatureC = null } };
        var rehearsal = Require(planner.Plan(roundTheClock));
        var target = rehearsal.Timeline.First(step => step.StepId == at.StepId);
        var reached = at.Phase switch
        {
            StepPhase.Waiting => target.HandsEndAt!.Value,
            StepPhase.Done => (target.OpensAt ?? target.HandsEndAt)!.Value,
            _ => target.StartsAt!.Value,
        };
        var shift = now - at.Ago - reached;
        var started = now + shift;
        var repairCase = draft with { Wanted = draft.Wanted with { StartAt = started } };
        var plan = Require(planner.Plan(repairCase));
        var events = UpTo(now, Events(rehearsal, at, shift));
        row.Status = MendStatus.Running;
        row.CasePacked = PackedText.Of(JsonSerializer.Serialize(repairCase, OpenJson.Options));
        row.PlanPacked = PackedText.Of(JsonSerializer.Serialize(plan, OpenJson.Options));
        row.StartedAt = started;
        row.CreatedAt = started - TimeSpan.FromHours(1);
        row.ChangedAt = events.Count > 0 ? events[^1].At : started;
        if (at.HandedBack)
        {
            events.Add(new RunEvent(events.Count + 1, events[^1].At.AddMinutes(5), RunEventKind.HandBack, Text: at.Words));
            row.Status = MendStatus.HandedBack;
            row.ClosedAt = events[^1].At;
            row.LookAgainAt = new Mend(repairCase, plan, row.Status, started, row.ClosedAt, events).LookAgainAt;
        }

        (row.SearchText, row.Written) = (MendWords.For(repairCase, plan), MendWords.Written(events));
        row.Version = events.Count + 1;
        row.Events.AddRange(events.Select(EventRows.ToRow));
    }

    /// <summary>What has happened by now, in the order in which it did: where an item has several damages, one waits while another is worked on.</summary>
    private static List<RunEvent> UpTo(DateTimeOffset now, IReadOnlyList<RunEvent> events) =>
        [.. events.Where(each => each.At <= now).OrderBy(each => each.At).Select((each, i) => each with { Number = i + 1 })];

    private static List<RunEvent> Events(RepairPlan rehearsal, DemoMoment at, TimeSpan shift)
    {
        var events = new List<RunEvent>();
        void Add(DateTimeOffset when, RunEventKind kind, string step, double? value = null, bool? passed = null) =>
            events.Add(new RunEvent(events.Count + 1, when + shift, kind, step, null, value, passed));
        foreach (var (step, time) in rehearsal.Steps.Zip(rehearsal.Timeline))
        {
            var last = step.Id == at.StepId;
            if (last && at.Phase == StepPhase.Next)
            {
                break;
            }

            if (step.UseWithinMin is not null || (last && at.Phase == StepPhase.Hands))
            {
                Add(time.StartsAt!.Value, RunEventKind.Begin, step.Id);
            }

            if (last && at.Phase == StepPhase.Hands)
            {
                break;
            }

            if (step.Proof is not null)
            {
                var failed = last && at.Phase == StepPhase.Failed;
                Add(time.HandsEndAt!.Value, RunEventKind.Proof, step.Id, step.Proof is "float" or "fin-fit" ? (failed ? 38 : 0.5) : null, !failed);
            }
            else
            {
                Add(time.HandsEndAt!.Value, RunEventKind.HandsDone, step.Id);
            }

            if (last && at.Phase is StepPhase.Waiting or StepPhase.Failed)
            {
                break;
            }

            if (step.Timing.Wait is not null)
            {
                Add(time.OpensAt!.Value, RunEventKind.Ready, step.Id);
            }

            if (last)
            {
                break;
            }
        }

        return events;
    }

    private static int? Months(DateOnly? newOn, DateTimeOffset now) =>
        newOn is { } day ? ((now.Year - day.Year) * 12) + now.Month - day.Month : null;

    private static RepairPlan Require(Outcome<RepairPlan> outcome) =>
        outcome.Value ?? throw new InvalidOperationException($"The demo's case cannot be planned: {outcome.Problems[0].Message}");
}
