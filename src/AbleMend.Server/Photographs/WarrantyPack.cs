using System.Globalization;
using System.IO.Compression;
using System.Text;
using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Proving;
using AbleMend.Core.Running;
using AbleMend.Core.Words;
using AbleMend.Server.Http;

namespace AbleMend.Server.Photographs;

/// <summary>What somebody else decides on: what was seen, what was done and measured, and the photographs, in formats that anybody opens.</summary>
/// <param name="Id">Number of the mend.</param>
/// <param name="Tag">Tag of the item.</param>
/// <param name="ItemName">What people call it.</param>
/// <param name="Shop">Name of the shop.</param>
/// <param name="Mend">The mend; it has a plan.</param>
/// <param name="Photographs">Its photographs, with their pictures.</param>
internal sealed record WarrantyPack(int Id, string Tag, string ItemName, string Shop, Mend Mend, IReadOnlyList<(PhotographView View, byte[] Jpeg)> Photographs)
{
    /// <summary>Packs it.</summary>
    /// <param name="voice">Whose words and units it is in.</param>
    /// <param name="zone">Zone of the shop.</param>
    public byte[] Zip(Voice voice, TimeZoneInfo zone)
    {
        using var packed = new MemoryStream();
        using (var zip = new ZipArchive(packed, ZipArchiveMode.Create, leaveOpen: true, Encoding.UTF8))
        {
            Add(zip, "what-was-seen.txt", Encoding.UTF8.GetBytes(Told(voice, zone)));
            Add(zip, "what-happened.csv", Encoding.UTF8.GetBytes(Happened(voice)));
            Add(zip, "case.json", JsonSerializer.SerializeToUtf8Bytes(Mend.Case, OpenJson.Options));
            Add(zip, "plan.json", JsonSerializer.SerializeToUtf8Bytes(Mend.Plan, OpenJson.Options));
            foreach (var ((view, jpeg), i) in Photographs.Select((each, i) => (each, i)))
            {
                Add(zip, string.Create(CultureInfo.InvariantCulture, $"photographs/{i + 1:00}-{(view.StepId ?? "intake").Replace(':', '-')}.jpg"), jpeg);
            }
        }

        return packed.ToArray();
    }

    private static void Add(ZipArchive zip, string name, byte[] content)
    {
        using var entry = zip.CreateEntry(name, CompressionLevel.Fastest).Open();
        entry.Write(content);
    }

    private string Told(Voice voice, TimeZoneInfo zone)
    {
        var (text, plan) = (new StringBuilder(), Mend.Plan!);
        string At(DateTimeOffset? at) => at is { } instant ? TimeZoneInfo.ConvertTime(instant, zone).ToString("yyyy-MM-dd HH:mm zzz", CultureInfo.InvariantCulture) : "";
        void Line(Message message) => text.AppendLine(voice.Say(message));
        Line($"{Shop:as-is}: mend {Id} of {Tag:as-is}, {ItemName:as-is}");
        Line($"Begun {At(Mend.StartedAt):as-is}");
        Line($"Closed {At(Mend.ClosedAt):as-is}");
        foreach (var damage in plan.Damages)
        {
            var seen = Mend.Case.Damages[damage.Number - 1].Seen;
            text.AppendLine();
            Line($"Damage {damage.Number}: {Kebab<Core.Gear.DamageKind>.Id(seen.Kind):as-is} at {seen.Location:as-is}, {Core.Quantities.Measures.Mm(seen.DepthMm)} deep");
            foreach (var reason in damage.Verdict.Reasons)
            {
                Line(reason.Text);
            }

            if (damage.System is { } system)
            {
                Line($"{system.MethodName}: {system.MaterialName}");
            }
        }

        text.AppendLine();
        foreach (var result in Run.Standing(Mend.Events).Where(each => each.Kind == RunEventKind.Proof))
        {
            var step = plan.Steps.First(each => each.Id == result.StepId);
            Message stands = result.Passed == true ? "passed" : "failed";
            Line($"{step.Title}: {stands} {At(result.At):as-is}{Measured(result.Value, step.Proof)}");
        }

        if (Run.Standing(Mend.Events).LastOrDefault(each => each.Kind == RunEventKind.HandBack)?.Text is { } words)
        {
            text.AppendLine().AppendLine(words);
        }

        return text.ToString();
    }

    private static Message Measured(double? value, string? proof) =>
        value is { } measured && proof is not null && ProofTest.All[proof].Measures is not null ? (Message)$", {measured.ToString("0.###", CultureInfo.InvariantCulture):as-is} {ProofTest.All[proof].Unit ?? "":as-is}" : Message.Empty;

    /// <summary>Everything that happened, in order, in UTC and metric units: taken back or not.</summary>
    private string Happened(Voice voice) =>
        CsvTable.Write(["number", "at", "kept-at", "what", "step", "value", "smallest-step", "air-c", "barometer-kpa", "passed", "words"], Mend.Events.Select(each => (IReadOnlyList<string>)
        [
            each.Number.ToString(CultureInfo.InvariantCulture), Instant(each.At), Instant(each.KeptAt), Kebab<RunEventKind>.Id(each.Kind),
            Mend.Plan!.Steps.FirstOrDefault(step => step.Id == each.StepId) is { } step ? voice.Say(step.Title) : "",
            Number(each.Value), Number(each.Resolution), Number(each.AirC), Number(each.BarometerKpa), each.Passed switch { true => "passed", false => "failed", _ => "" }, each.Text ?? "",
        ]));

    private static string Instant(DateTimeOffset? at) => at?.UtcDateTime.ToString("yyyy-MM-ddTHH:mm:ssZ", CultureInfo.InvariantCulture) ?? "";

    private static string Number(double? value) => value?.ToString("0.######", CultureInfo.InvariantCulture) ?? "";
}
