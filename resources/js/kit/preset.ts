import { definePreset } from '@primeuix/themes';
import base from '@primeuix/themes/nora/base';
import button from '@primeuix/themes/nora/button';
import dialog from '@primeuix/themes/nora/dialog';
import iconfield from '@primeuix/themes/nora/iconfield';
import inputtext from '@primeuix/themes/nora/inputtext';
import select from '@primeuix/themes/nora/select';
import virtualscroller from '@primeuix/themes/nora/virtualscroller';

/** The library's theme, of the components that we use and of what these are made of. */
const Nora = { ...base, components: { button, dialog, iconfield, inputtext, select, virtualscroller } };

const none = '0 0 #0000';

/** Square shapes, thin ink rules, no shadows: controls drawn with the same pen as the drawings. Colours are the page's own variables. */
export const preset = definePreset(Nora, {
    primitive: { borderRadius: { none: '0', xs: '0', sm: '0', md: '0', lg: '0', xl: '0' } },
    semantic: {
        transitionDuration: '0.1s',
        focusRing: { width: '2px', style: 'solid', color: 'var(--focus)', offset: '1px', shadow: none },
        primary: {
            50: 'var(--shoal)',
            100: 'var(--shoal)',
            200: 'var(--shoal)',
            300: 'var(--kelp)',
            400: 'var(--kelp)',
            500: 'var(--kelp)',
            600: 'var(--kelp)',
            700: 'var(--ink)',
            800: 'var(--ink)',
            900: 'var(--ink)',
            950: 'var(--ink)',
            color: 'var(--ink)',
            contrastColor: 'var(--paper)',
            hoverColor: 'var(--kelp)',
            activeColor: 'var(--kelp)',
        },
        formField: {
            shadow: none,
            paddingX: '0.6rem',
            paddingY: '0.4rem',
            focusRing: { width: '2px', style: 'solid', color: 'var(--focus)', offset: '1px', shadow: none },
        },
        overlay: { select: { shadow: none }, popover: { shadow: none }, modal: { shadow: none }, navigation: { shadow: none } },
        colorScheme: Object.fromEntries(
            ['light', 'dark'].map((scheme) => [
                scheme,
                {
                    primary: { color: 'var(--ink)', contrastColor: 'var(--paper)', hoverColor: 'var(--kelp)', activeColor: 'var(--kelp)' },
                    highlight: {
                        background: 'var(--ink)',
                        focusBackground: 'var(--ink)',
                        color: 'var(--paper)',
                        focusColor: 'var(--paper)',
                    },
                    formField: {
                        background: 'var(--sheet)',
                        filledBackground: 'var(--sheet)',
                        filledHoverBackground: 'var(--sheet)',
                        filledFocusBackground: 'var(--sheet)',
                        borderColor: 'var(--ink)',
                        hoverBorderColor: 'var(--kelp)',
                        focusBorderColor: 'var(--ink)',
                        color: 'var(--ink)',
                        placeholderColor: 'var(--faint)',
                        iconColor: 'var(--ink)',
                        shadow: none,
                        invalidBorderColor: 'var(--stop)',
                        disabledBackground: 'var(--paper)',
                        disabledColor: 'var(--faint)',
                    },
                    text: { color: 'var(--ink)', hoverColor: 'var(--ink)', mutedColor: 'var(--faint)', hoverMutedColor: 'var(--ink)' },
                    content: {
                        background: 'var(--sheet)',
                        hoverBackground: 'var(--shoal)',
                        borderColor: 'var(--ink)',
                        color: 'var(--ink)',
                        hoverColor: 'var(--ink)',
                    },
                    overlay: Object.fromEntries(
                        ['select', 'popover', 'modal'].map((kind) => [
                            kind,
                            { background: 'var(--sheet)', borderColor: 'var(--ink)', color: 'var(--ink)' },
                        ]),
                    ),
                    list: {
                        option: {
                            focusBackground: 'var(--shoal)',
                            selectedBackground: 'var(--ink)',
                            selectedFocusBackground: 'var(--ink)',
                            color: 'var(--ink)',
                            focusColor: 'var(--ink)',
                            selectedColor: 'var(--paper)',
                            selectedFocusColor: 'var(--paper)',
                        },
                        optionGroup: { background: 'var(--paper)', color: 'var(--faint)' },
                    },
                    mask: { background: 'rgba(20, 30, 24, 0.45)', color: 'var(--ink)' },
                },
            ]),
        ),
    },
});
