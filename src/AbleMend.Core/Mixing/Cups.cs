namespace AbleMend.Core.Mixing;

/// <summary>One cup of a batch.</summary>
/// <param name="Ml">What is measured into it, in mL.</param>
/// <param name="G">The same in grams.</param>
public readonly record struct OneCup(double Ml, double G);

/// <summary>Into how many cups a need is split, one mixed after another.</summary>
/// <param name="Count">Cups, at least 1.</param>
/// <param name="EachMl">What is measured into each, in mL.</param>
/// <param name="TooHot">Whether even the least cup that can be measured gets hotter than resin and cup stand, so that it must not stand.</param>
/// <param name="TooQuick">Whether even the least cup that can be measured is past spreading before it is spread.</param>
public sealed record Cups(int Count, double EachMl, bool TooHot, bool TooQuick)
{
    /// <summary>More cups than this, one after another, are no longer a plan: a tray is.</summary>
    public const int Most = 12;

    /// <summary>Splits a need until each cup holds its share, stays spreadable for as long as mixing and spreading it take, and bears its own heat.</summary>
    /// <param name="neededMl">What is needed in all, in mL, above 0.</param>
    /// <param name="measured">What is measured for a share of it: no less than the device can.</param>
    /// <param name="after">What becomes of some grams in a cup.</param>
    /// <param name="limits">What cup, hands and resin allow.</param>
    public static Cups Of(double neededMl, Func<double, OneCup> measured, Func<double, CupResult> after, CupLimits limits)
    {
        Guard.Positive(neededMl, nameof(neededMl));
        Cups? quick = null, fits = null;
        for (var (count, before) = (1, double.PositiveInfinity); count <= Most; count++)
        {
            var each = measured(neededMl / count);
            if (each.Ml > before - 1e-9)
            {
                // It cannot be measured any finer.
                break;
            }

            before = each.Ml;
            if (each.Ml > limits.HoldsMl && count < Most)
            {
                continue;
            }

            fits ??= new Cups(count, each.Ml, true, true);
            var result = after(each.G);
            if (result.SpreadMin < limits.MixingMin + (limits.SpreadingMin / count))
            {
                continue;
            }

            quick ??= new Cups(count, each.Ml, true, false);
            if (result.PeakC <= limits.HottestC)
            {
                return new Cups(count, each.Ml, false, false);
            }
        }

        return quick ?? fits ?? new Cups(1, measured(neededMl).Ml, true, true);
    }
}

/// <summary>What a cup has to keep to.</summary>
/// <param name="HoldsMl">What it holds in mL.</param>
/// <param name="MixingMin">Minutes to mix it.</param>
/// <param name="SpreadingMin">Minutes to spread all of the batch.</param>
/// <param name="HottestC">Hottest that resin and cup stand, in °C.</param>
public sealed record CupLimits(double HoldsMl, double MixingMin, double SpreadingMin, double HottestC);
