// @vitest-environment jsdom
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import type { InputView, Json } from '@/api/client';
import { InputField } from './InputField';
import { anInput } from './testing';

afterEach(cleanup);

/** The field as a page has it: what is put in stands in it. */
function Kept({ input, seen }: { input: InputView; seen: (value: Json) => void }) {
  const [value, setValue] = useState<Json>(input.value);
  return (
    <InputField
      input={input}
      value={value}
      onInput={(next) => {
        setValue(next);
        seen(next);
      }}
    />
  );
}

function shown(input: InputView) {
  const all: Json[] = [];
  render(<Kept input={input} seen={(value) => all.push(value)} />);
  return { user: userEvent.setup(), last: () => all.at(-1) };
}

describe('an input', () => {
  it('takes a text as it is typed, with its help beside it', async () => {
    const { user, last } = shown(anInput('Berth', { help: 'as on the chart', required: true }));
    const field = screen.getByRole('textbox', { name: /Berth/ });
    await user.type(field, 'M 04');
    expect(last()).toBe('M 04');
    expect(field).toHaveProperty('required', true);
    expect(document.body.textContent).toContain('as on the chart');
  });

  it('offers words for codes, and nothing where nothing has to be chosen', async () => {
    const choices = [
      { code: 'N', words: 'north' },
      { code: 'S', words: 'south' },
    ];
    const { user, last } = shown(anInput('Basin', { kind: 'CHOICE', choices }));
    expect(screen.getAllByRole('option').map(({ textContent }) => textContent)).toEqual([
      'any',
      'north',
      'south',
    ]);
    await user.selectOptions(screen.getByRole('combobox', { name: 'Basin' }), 'south');
    expect(last()).toBe('S');
  });

  it('shows what stands there though it is none of the choices', () => {
    const choices = [{ code: 'N', words: 'north' }];
    shown(anInput('Basin', { kind: 'CHOICE', choices, value: 'W', required: true }));
    expect(screen.getByRole('combobox', { name: /Basin/ })).toHaveProperty('value', 'W');
  });

  it('has nothing chosen where something has to be', () => {
    const choices = [{ code: 'N', words: 'north' }];
    shown(anInput('Basin', { kind: 'CHOICE', choices, required: true }));
    expect(screen.getByRole('combobox', { name: /Basin/ })).toHaveProperty('value', '');
  });

  it('is ticked as yes and no', async () => {
    const { user, last } = shown(anInput('Electric', { kind: 'CHECKBOX' }));
    await user.click(screen.getByRole('checkbox', { name: 'Electric' }));
    expect(last()).toBe(true);
    await user.click(screen.getByRole('checkbox', { name: 'Electric' }));
    expect(last()).toBe(false);
  });

  it('keeps a moment without the zone that the browser has no field for', () => {
    shown(anInput('Arrives', { kind: 'DATE_TIME', value: '2031-05-14T06:40:00Z' }));
    expect(screen.getByLabelText('Arrives')).toHaveProperty('value', '2031-05-14T06:40');
  });

  it('counts what is still being typed, and makes it a chip with Enter', async () => {
    const { user, last } = shown(anInput('Goods', { several: true }));
    const field = await screen.findByRole('combobox', { name: /Goods/ });
    await user.type(field, 'rope, tar');
    expect(last()).toEqual(['rope, tar']);
    await user.keyboard('{Enter}');
    await user.type(field, 'paint');
    expect(last()).toEqual(['rope, tar', 'paint']);
    expect(screen.getByText('rope, tar')).toBeTruthy();
  });

  it('takes several numbers at once, parted by commas', async () => {
    const { user, last } = shown(anInput('Cranes', { kind: 'NUMBER', several: true }));
    await user.type(await screen.findByRole('combobox', { name: /Cranes/ }), '4, 7{Enter}');
    expect(last()).toEqual(['4', '7']);
  });

  it('takes several of the words that there are, and no others', async () => {
    const choices = [
      { code: 'N', words: 'north' },
      { code: 'S', words: 'south' },
    ];
    const { user, last } = shown(anInput('Basins', { kind: 'CHOICE', choices, several: true }));
    await user.click(await screen.findByRole('combobox', { name: /Basins/ }));
    await user.click(within(screen.getByRole('listbox')).getByText('north'));
    expect(last()).toEqual(['N']);
    await user.type(screen.getByRole('combobox', { name: /Basins/ }), 'west{Enter}');
    expect(last()).toEqual(['N']);
  });

  const BASINS = [
    { code: 'N', words: 'north' },
    { code: 'S', words: 'south' },
  ];

  it('has everything on buttons, of which one is down and can be let go', async () => {
    const { user, last } = shown(anInput('Basin', { kind: 'BUTTONS', choices: BASINS }));
    const group = await screen.findByRole('group', { name: /Basin/ });
    await user.click(within(group).getByRole('button', { name: 'south' }));
    expect(last()).toBe('S');
    await user.click(within(group).getByRole('button', { name: 'north', pressed: false }));
    expect(last()).toBe('N');
    await user.click(within(group).getByRole('button', { name: 'north', pressed: true }));
    expect(last()).toBe('');
  });

  it('keeps a button down where something has to be chosen, and takes several of them', async () => {
    const one = shown(anInput('Basin', { kind: 'BUTTONS', choices: BASINS, required: true }));
    await one.user.click(await screen.findByRole('button', { name: 'south' }));
    await one.user.click(screen.getByRole('button', { name: 'south', pressed: true }));
    expect(one.last()).toBe('S');
    cleanup();
    const some = shown(anInput('Basin', { kind: 'BUTTONS', choices: BASINS, several: true }));
    await some.user.click(await screen.findByRole('button', { name: 'south' }));
    await some.user.click(screen.getByRole('button', { name: 'north' }));
    expect(some.last()).toEqual(['S', 'N']);
  });

  it('is found by typing some of its words', async () => {
    const { user, last } = shown(anInput('Basin', { kind: 'SEARCH', choices: BASINS }));
    const field = await screen.findByRole('combobox', { name: /Basin/ });
    await user.type(field, 'out');
    expect(screen.getAllByRole('option').map((one) => one.textContent)).toEqual(['south']);
    await user.keyboard('{ArrowDown}{Enter}');
    expect(last()).toBe('S');
    expect(field).toHaveProperty('value', 'south');
    await user.clear(field);
    await user.tab();
    expect(last()).toBe('');
  });
});
