using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Volume of the cavity once it is cut out, and what is mixed for it.</summary>
internal static class Fills
{
    /// <summary>Footprint of a fin box, which is not filled: about 110 by 25 mm. From memory.</summary>
    public static readonly Area FinBoxFootprint = Cm2(27.5);

    /// <summary>The cavity as a figure.</summary>
    /// <param name="job">The job.</param>
    /// <param name="cut">Outline that is cut away.</param>
    /// <param name="depth">Depth to fill.</param>
    public static Figure<Volume> Cavity(this Job job, Field cut, Figure<Length> depth)
    {
        if (job.Figures.Find("fill.cavity") is Figure<Volume> known)
        {
            return known;
        }

        var (rule, work) = Solid(job, cut, depth);
        return job.Figure("fill.cavity", "Cavity", work, rule, Source.Published("Solid geometry, textbook"), 1);
    }

    /// <summary>Volume to mix for a cavity: proud by a little, and what stays in the cup.</summary>
    /// <param name="job">The job.</param>
    /// <param name="filled">Whether a filler is stirred in.</param>
    /// <param name="cavityMl">Volume of the cavity in mL.</param>
    /// <param name="mouth">Area of its mouth.</param>
    /// <param name="proud">How far it stands proud; null where it does not.</param>
    public static Figure<Volume> ToMix(this Job job, bool filled, Derived<double> cavityMl, Field mouth, Figure<Length>? proud)
    {
        var loss = job.CupLoss();
        var shrink = job.Constant("mix.shrink", "Shrink on cure", Percent(ShrinkPercent(job.Main.Chemistry)), Source.FromMemory("Shrink on cure by volume: polyester 6, acrylate 5, epoxy 2"), (0, 30));
        return job.Need("fill", filled, () => Ml(Mixing.Cavity.ToMixMl(cavityMl.Value + (proud is null ? 0 : mouth.Area.Cm2 * proud.Mm / 10), shrink.Percent, loss.Ml)),
            "(cavity + mouth × proud) / (1 − shrink) + what stays in the cup", Source.Arithmetic);
    }

    private static double ShrinkPercent(string chemistry) => chemistry switch { "epoxy" => 2, "acrylate" => 5, _ => 6 };

    private static (Message Rule, Func<Volume> Work) Solid(Job job, Field cut, Figure<Length> depth)
    {
        var alone = job.Damage.Neighbours is null or { Count: 0 };
        return job.Damage switch
        {
            { Kind: DamageKind.FinBoxSurround } => Of("Recess round the box: (area − box) × depth", RoundTheBox(job, cut, depth)),
            { Kind: DamageKind.Hole } => Of("Recess: area × depth", () => Ml(Mixing.Cavity.RecessMl(cut.Area.Cm2 * 100, depth.Mm))),
            { Kind: DamageKind.Crack } when alone => Of("Groove of V section: length × width × depth / 2", () => Ml(Mixing.Cavity.GrooveMl(cut.Length.Mm, cut.Width.Mm, depth.Mm))),
            { Shape: RoundShape or OvalShape } when alone => Of("Bowl: π·h/6·(3·a·b + h²)", () => Ml(Mixing.Cavity.BowlMl(cut.Length.Mm, cut.Width.Mm, depth.Mm))),
            _ => Of("Bowl under a traced outline: area × depth / 2", () => Ml(Mixing.Cavity.RecessMl(cut.Area.Cm2 * 100, depth.Mm) / 2)),
        };
    }

    private static (Message Rule, Func<Volume> Work) Of(Message rule, Func<Volume> work) => (rule, work);

    private static Func<Volume> RoundTheBox(Job job, Field cut, Figure<Length> depth)
    {
        var box = job.Constant("fin-box.footprint", "Footprint of the box", FinBoxFootprint, Source.FromMemory("Footprint of a fin box"));
        return () => Ml(Mixing.Cavity.RecessMl(Math.Max(cut.Area.Cm2 - box.Cm2, cut.Area.Cm2 / 4) * 100, depth.Mm));
    }
}
