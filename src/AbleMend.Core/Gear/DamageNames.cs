using AbleMend.Core.Words;

namespace AbleMend.Core.Gear;

/// <summary>What kinds of damage are called inside a sentence.</summary>
public static class DamageNames
{
    /// <summary>The name of a kind, in lower case and without an article.</summary>
    public static Message Of(DamageKind kind) =>
        kind switch
        {
            DamageKind.Ding => "ding",
            DamageKind.Crack => "crack",
            DamageKind.Hole => "hole",
            DamageKind.FinBoxSurround => "cracks round the fin box",
            DamageKind.Slice => "sliced skin",
            DamageKind.Scratch => "scratch",
            DamageKind.CoreShot => "gouge through to the core",
            DamageKind.Puncture => "puncture",
            DamageKind.Pinholes => "pinholes",
            DamageKind.Tear => "tear",
            DamageKind.Melt => "melted spot",
            DamageKind.SeamOpen => "open seam",
            DamageKind.StripLifted => "lifting strip",
            DamageKind.ValveLeak => "leaking valve",
            DamageKind.WaterInside => "water inside",
            DamageKind.Parted => "layers that have parted",
            DamageKind.SoftSpot => "soft spot",
            DamageKind.Split => "split",
            DamageKind.Splinter => "splinter",
            DamageKind.Chip => "chip",
            DamageKind.SoleParted => "parting sole",
            DamageKind.WornAway => "worn spot",
            DamageKind.EdgePulled => "pulled edge",
            DamageKind.SealTorn => "torn seal",
            DamageKind.Crumbled => "crumbling foam",
            DamageKind.Bent => "bend",
            _ => "damage",
        };

    /// <summary>Several, one after another.</summary>
    /// <param name="kinds">One kind or more.</param>
    public static Message Of(IReadOnlyList<DamageKind> kinds) =>
        Message.Joined([.. kinds.Select(Of)], (before, next) => $"{before}, {next}");
}
