using System.Globalization;
using System.Text;
using AbleMend.Core;
using AbleMend.Core.Plans;
using AbleMend.Core.Triage;

namespace AbleMend.Cli;

/// <summary>A plan as plain text for the terminal.</summary>
public static class PlanSheet
{
    /// <summary>The sheet.</summary>
    public static string Write(RepairPlan plan, RepairCase repairCase)
    {
        var zone = TimeZoneInfo.FindSystemTimeZoneById(repairCase.Bench.Zone);
        var sheet = new StringBuilder();
        Line(sheet, $"{repairCase.Item.Tag}: {Kebab<Decision>.Id(plan.Verdict.Decision)}");
        foreach (var reason in plan.Verdict.Reasons)
        {
            Line(sheet, $"  {reason.Text}");
        }

        if (plan.System is { } system)
        {
            Line(sheet, $"{system.MethodName}, {system.MaterialName}");
            Line(sheet, $"Ready for use {Clock(plan.ReadyAt, zone)}; full cure {Clock(plan.FullCureAt, zone)}");
        }

        WriteCandidates(sheet, plan);
        foreach (var warning in plan.Warnings)
        {
            Line(sheet, $"! {warning.Text}");
        }

        WriteSteps(sheet, plan, zone);
        foreach (var caution in plan.Cautions)
        {
            Line(sheet, $"Caution: {caution.Text}");
        }

        WriteHandBack(sheet, plan, zone);
        return sheet.ToString().TrimEnd();
    }

    private static void WriteCandidates(StringBuilder sheet, RepairPlan plan)
    {
        Line(sheet, $"Systems, best first");
        foreach (var candidate in plan.Candidates)
        {
            Line(sheet, $"  {(candidate.Vetoed ? "no " : "yes")} {candidate.MethodName} / {candidate.MaterialName}: {candidate.Score:0.0}");
            foreach (var finding in candidate.Findings)
            {
                var layer = finding.LayerName is null ? "" : $" [{finding.LayerName}]";
                Line(sheet, $"        {Kebab<Core.Matching.Weight>.Id(finding.Weight)}: {finding.Reason}{layer}");
            }
        }
    }

    private static void WriteSteps(StringBuilder sheet, RepairPlan plan, TimeZoneInfo zone)
    {
        var figures = plan.Figures.ToDictionary(figure => figure.Id);
        foreach (var (step, i) in plan.Steps.Select((step, i) => (step, i)))
        {
            var time = plan.Timeline[i];
            Line(sheet, $"{i + 1}. {Clock(time.StartsAt, zone)}  {step.Title}");
            Line(sheet, $"     {step.Instruction}");
            foreach (var figure in step.Figures.Select(id => figures[id]))
            {
                var value = figure.Value.ToString($"F{figure.Decimals}", CultureInfo.InvariantCulture);
                Line(sheet, $"     {figure.Label}: {value} {figure.Unit}  ({figure.Id}: {figure.Derivation.Rule})");
            }

            if (step.DoNotForget is { } forgotten)
            {
                Line(sheet, $"     Do not forget: {forgotten}");
            }

            // A wait that is over before the hands are free is nothing to wait for.
            if (step.Timing.Wait is { } wait && (time.OpensAt is null || time.OpensAt > time.HandsEndAt))
            {
                Line(sheet, $"     Wait until {Clock(time.OpensAt, zone)}{(time.ClosesAt is null ? "" : $", at the latest {Clock(time.ClosesAt, zone)}")}. {wait.Check}");
            }
        }
    }

    private static void WriteHandBack(StringBuilder sheet, RepairPlan plan, TimeZoneInfo zone)
    {
        foreach (var watch in plan.Aftercare?.Watch ?? [])
        {
            var figure = plan.Figures.FirstOrDefault(each => each.Id == watch.Figure);
            var value = figure is null ? "" : $" ({figure.Value.ToString($"F{figure.Decimals}", CultureInfo.InvariantCulture)} {figure.Unit})";
            Line(sheet, $"Watch: {watch.Text}{value}");
        }

        if (plan.Aftercare?.LookAgainAt is { } look)
        {
            Line(sheet, $"Look again {Clock(look, zone)}");
        }

        if (plan.ProperRepair is { } proper)
        {
            Line(sheet, $"Proper repair by {Clock(plan.ProperRepairBy, zone)}: {proper}");
        }
    }

    private static string Clock(DateTimeOffset? instant, TimeZoneInfo zone) =>
        instant is { } some ? TimeZoneInfo.ConvertTime(some, zone).ToString("ddd d MMM HH:mm", CultureInfo.InvariantCulture) : "never, as it stands";

    private static void Line(StringBuilder sheet, FormattableString text) => sheet.AppendLine(text.ToString(CultureInfo.InvariantCulture));
}
