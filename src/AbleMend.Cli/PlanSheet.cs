using System.Globalization;
using System.Text;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Figures;
using AbleMend.Core.Plans;
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
    private readonly StringBuilder _sheet = new();

    /// <summary>The sheet as text.</summary>
    /// <param name="systems">Whether every system that was ranked is listed.</param>
    public string Write(bool systems)
    {
        Line($"{repairCase.Item.Tag}: {Kebab<Decision>.Id(plan.Verdict.Decision)}");
        foreach (var reason in plan.Verdict.Reasons)
        {
            Line($"  {voice.Say(reason.Text)}");
        }

        foreach (var damage in plan.Damages.Where(damage => damage.System is not null))
        {
            Line($"{Number(damage.Number)}{voice.Say(damage.System!.MethodName)}, {voice.Say(damage.System.MaterialName)}");
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
            Line($"! {voice.Say(warning.Text)}");
        }

        WriteSteps();
        foreach (var caution in plan.Cautions)
        {
            Line($"Caution: {voice.SayText(caution.Text)}");
        }

        WriteHandBack();
        return _sheet.ToString().TrimEnd();
    }

    private void WriteCandidates()
    {
        foreach (var damage in plan.Damages)
        {
            Line($"{Number(damage.Number)}Systems, best first");
            WriteCandidates(damage);
        }
    }

    private void WriteCandidates(PlannedDamage damage)
    {
        foreach (var candidate in damage.Candidates)
        {
            Line($"  {(candidate.Vetoed ? "no " : "yes")} {voice.Say(candidate.MethodName)} / {voice.Say(candidate.MaterialName)}: {candidate.Score:0.0}");
            foreach (var finding in candidate.Findings)
            {
                var layer = finding.LayerName is null ? "" : $" [{voice.Say(finding.LayerName)}]";
                Line($"        {Kebab<Core.Matching.Weight>.Id(finding.Weight)}: {voice.Say(finding.Reason)}{layer}");
            }
        }
    }

    private void WriteSteps()
    {
        var figures = plan.Figures.ToDictionary(figure => figure.Id);
        foreach (var (step, i) in plan.Steps.Select((step, i) => (step, i)))
        {
            var time = plan.Timeline[i];
            Line($"{i + 1}. {Clock(time.StartsAt)}  {Number(step.Damage)}{voice.Say(step.Title)}");
            Line($"     {voice.Say(step.Instruction)}");
            foreach (var figure in step.Figures.Select(id => figures[id]))
            {
                Line($"     {voice.Say(figure.Label)}: {Measure(figure)}  ({figure.Id}: {voice.Say(figure.Derivation.Rule)})");
            }

            if (step.DoNotForget is { } forgotten)
            {
                Line($"     Do not forget: {voice.Say(forgotten)}");
            }

            // A wait that is over before the hands are free is nothing to wait for.
            if (step.Timing.Wait is { } wait && (time.OpensAt is null || time.OpensAt > time.HandsEndAt))
            {
                Line($"     Wait until {Clock(time.OpensAt)}{(time.ClosesAt is null ? "" : $", at the latest {Clock(time.ClosesAt)}")}. {voice.Say(wait.Check)}");
            }
        }
    }

    private void WriteHandBack()
    {
        foreach (var watch in plan.Damages.SelectMany(damage => damage.Aftercare?.Watch ?? []).DistinctBy(watch => watch.Id))
        {
            var figure = plan.Figures.FirstOrDefault(each => each.Id == watch.Figure);
            var value = figure is null ? "" : $" ({Measure(figure)})";
            Line($"Watch: {voice.Say(watch.Text)}{value}");
        }

        if (plan.Damages.Min(damage => damage.Aftercare?.LookAgainAt) is { } look)
        {
            Line($"Look again {Clock(look)}");
        }

        foreach (var damage in plan.Damages.Where(damage => damage.ProperRepair is not null))
        {
            Line($"{Number(damage.Number)}Proper repair by {Clock(plan.ProperRepairBy)}: {voice.Say(damage.ProperRepair!)}");
        }
    }

    /// <summary>The number of a damage, where the item has several.</summary>
    private string Number(int damage) => plan.Damages.Count > 1 ? string.Create(CultureInfo.InvariantCulture, $"[{damage}] ") : "";

    private string Clock(DateTimeOffset? instant) =>
        instant is { } some ? TimeZoneInfo.ConvertTime(some, _zone).ToString("ddd d MMM HH:mm", CultureInfo.InvariantCulture) : "never, as it stands";

    private void Line(FormattableString text) => _sheet.AppendLine(text.ToString(CultureInfo.InvariantCulture));

    private string Measure(Figure figure) => voice.Measure(figure.Value, figure.Unit, figure.Decimals);
}
