using System.Globalization;
using System.Text;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Figures;
using AbleMend.Core.Plans;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;

namespace AbleMend.Cli;

/// <summary>A plan as plain text for the terminal.</summary>
public static class PlanSheet
{
    /// <summary>The sheet.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="repairCase">The case that it was made from.</param>
    /// <param name="voice">Whose units and words; English and metric when left out.</param>
    /// <param name="systems">Whether every system that was ranked is listed with what speaks against it.</param>
    public static string Write(RepairPlan plan, RepairCase repairCase, Voice? voice = null, bool systems = true) => new Sheet(plan, repairCase, voice ?? Voice.Plain).Write(systems);
}

/// <summary>One sheet as it is written.</summary>
internal sealed class Sheet(RepairPlan plan, RepairCase repairCase, Voice voice)
{
    private readonly TimeZoneInfo _zone = TimeZoneInfo.FindSystemTimeZoneById(repairCase.Bench.Zone);
    private static readonly Message Yes = "yes";
    private static readonly Message No = "no";

    private readonly StringBuilder _sheet = new();

    /// <summary>The sheet as text.</summary>
    /// <param name="systems">Whether every system that was ranked is listed.</param>
    public string Write(bool systems)
    {
        Line($"{repairCase.Item.Tag:as-is}: {Kebab<Decision>.Id(plan.Verdict.Decision):as-is}");
        foreach (var reason in plan.Verdict.Reasons)
        {
            Line(reason.Text, indent: 2);
        }

        foreach (var damage in plan.Damages.Where(damage => damage.System is not null))
        {
            Line($"{damage.System!.MethodName}, {damage.System.MaterialName}", damage.Number);
        }

        if (plan.Damages.Any(damage => damage.System is not null))
        {
            Line($"Ready for use {Clock(plan.ReadyAt)}; full cure {Clock(plan.FullCureAt)}");
        }

        if (systems)
        {
            WriteCandidates();
        }

        foreach (var warning in plan.Warnings)
        {
            Line($"! {warning.Text}");
        }

        WriteSteps();
        foreach (var caution in plan.Cautions)
        {
            Line($"Caution: {Message.Parse(caution.Text)}");
        }

        WriteHandBack();
        return _sheet.ToString().TrimEnd();
    }

    private void WriteCandidates()
    {
        foreach (var damage in plan.Damages)
        {
            Line("Systems, best first", damage.Number);
            WriteCandidates(damage);
        }
    }

    private void WriteCandidates(PlannedDamage damage)
    {
        foreach (var candidate in damage.Candidates)
        {
            Line($"{(candidate.Vetoed ? No : Yes)} {candidate.MethodName} / {candidate.MaterialName}: {Plain($"{candidate.Score:0.0}"):as-is}", indent: 2);
            foreach (var finding in candidate.Findings)
            {
                var weight = Kebab<Core.Matching.Weight>.Id(finding.Weight);
                Line(finding.LayerName is null ? (Message)$"{weight:as-is}: {finding.Reason}" : (Message)$"{weight:as-is}: {finding.Reason} [{finding.LayerName}]", indent: 8);
            }
        }
    }

    private void WriteSteps()
    {
        var figures = plan.Figures.ToDictionary(figure => figure.Id);
        foreach (var (step, i) in plan.Steps.Select((step, i) => (step, i)))
        {
            var time = plan.Timeline[i];
            Line($"{i + 1}. {Clock(time.StartsAt)}  {Number(step.Timing):as-is}{step.Title}");
            Line(step.Instruction, indent: 5);
            foreach (var figure in step.Figures.Select(id => figures[id]))
            {
                Line($"{figure.Label}: {Measure(figure):as-is}  ({figure.Id:as-is}: {figure.Derivation.Rule})", indent: 5);
            }

            if (step.DoNotForget is { } forgotten)
            {
                Line($"Do not forget: {forgotten}", indent: 5);
            }

            // A wait that is over before the hands are free is nothing to wait for.
            if (step.Timing.Wait is { } wait && (time.OpensAt is null || time.OpensAt > time.HandsEndAt))
            {
                Line(time.ClosesAt is null ? (Message)$"Wait until {Clock(time.OpensAt)}. {wait.Check}" : (Message)$"Wait until {Clock(time.OpensAt)}, at the latest {Clock(time.ClosesAt)}. {wait.Check}", indent: 5);
            }
        }
    }

    private void WriteHandBack()
    {
        foreach (var watch in plan.Damages.SelectMany(damage => damage.Aftercare?.Watch ?? []).DistinctBy(watch => watch.Id))
        {
            var figure = plan.Figures.FirstOrDefault(each => each.Id == watch.Figure);
            Line(figure is null ? (Message)$"Watch: {watch.Text}" : (Message)$"Watch: {watch.Text} ({Measure(figure):as-is})");
        }

        if (plan.Damages.Min(damage => damage.Aftercare?.LookAgainAt) is { } look)
        {
            Line($"Look again {Clock(look)}");
        }

        foreach (var damage in plan.Damages.Where(damage => damage.ProperRepair is not null))
        {
            Line($"Proper repair by {Clock(plan.ProperRepairBy)}: {damage.ProperRepair}", damage.Number);
        }
    }

    /// <summary>The number of a damage, where the item has several.</summary>
    private string Number(params IEnumerable<int> damages) => plan.Damages.Count > 1 ? $"[{string.Join(", ", damages.Select(each => each.ToString(CultureInfo.InvariantCulture)))}] " : "";

    private string Number(StepTiming timing) => Number([timing.Damage, .. timing.Also ?? []]);

    private Message Clock(DateTimeOffset? instant) =>
        instant is { } some ? (Message)$"{TimeZoneInfo.ConvertTime(some, _zone).ToString("ddd d MMM HH:mm", CultureInfo.InvariantCulture):as-is}" : "never, as it stands";

    private static string Plain(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);

    private void Line(Message words, int ofDamage = 0, int indent = 0) => _sheet.Append(' ', indent).Append(ofDamage > 0 ? Number(ofDamage) : "").AppendLine(voice.Say(words));

    private string Measure(Figure figure) => voice.Measure(figure.Value, figure.Unit, figure.Decimals);
}
